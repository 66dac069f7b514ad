'use client';

import { Button } from '@/ui/common';

export default function ErrorPage({ reset }: { readonly reset: () => void }) {
  return (
    <main className="flex h-full flex-col items-center justify-center gap-3 p-6 text-center">
      <h1 className="font-title text-[22px] leading-7 font-semibold">This page stopped working</h1>
      <p className="max-w-[380px] text-muted">
        Try it again. If it stops again, go back to the Shelf, or look at what the server says.
      </p>
      <Button tone="main" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
