'use client';

import { useMutation } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useState } from 'react';

import { LIMITS } from '@/core/figure';
import { createWithPictures } from '@/state';
import { say } from '@/ui/common';
import { type FileText, isArtwork } from '@/ui/import';

/** The text of a chosen file as JSON; errors are sentences for the person. */
async function jsonOf(file: File): Promise<unknown> {
  if (file.size > LIMITS.bytes)
    throw new Error(`“${file.name}” is larger than ${LIMITS.bytes / 1e6} MB, too large for a figure.`);
  try {
    return JSON.parse((await file.text()).replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new Error(`“${file.name}” is not JSON: ${error instanceof Error ? error.message : 'unreadable'}.`, {
      cause: error,
    });
  }
}

/** A figure of a file that a person gives: one of ours, or artwork that is looked at first. */
export function useFiles() {
  const router = useRouter();
  const [drawing, setDrawing] = useState<FileText | null>(null);
  const open = useMutation({
    mutationFn: createWithPictures,
    onSuccess: ({ id }) => router.push(`/figures/${id}`),
    onError: (error) => say(error),
  });
  const openFile = async (file: File): Promise<void> => {
    try {
      if (isArtwork(file)) setDrawing({ name: file.name, text: await file.text() });
      else open.mutate(await jsonOf(file));
    } catch (error) {
      say(error);
    }
  };
  return { drawing, setDrawing, open, openFile };
}
