import { type Face, faceOf, type Run, shapeWords } from '@/core/words';
import { Refused } from '../errors';

/** What is asked of a face: lines of text as outlines. */
export interface ShapeRequest {
  readonly bytes: Uint8Array;
  readonly text: string;
  /** Spaces before and after it count, as it is a part of a line. */
  readonly part?: boolean;
}

export interface ShapedText {
  readonly run: Run;
  /** Characters that the face does not have. */
  readonly missing: readonly string[];
}

function readable(bytes: Uint8Array): Face {
  const face = faceOf(bytes);
  if (!face.ok) throw new Refused(face.finding.sentence);
  return face.value;
}

/** The outlines of a line of text. @throws Refused for a file that is no face, and text of which nothing can be seen */
export function shapeText({ bytes, text, part = false }: ShapeRequest): Promise<ShapedText> {
  const made = shapeWords(readable(bytes), text, part ? 'keep' : 'trim');
  if (!made.ok) throw new Refused(made.finding.sentence);
  return Promise.resolve(made.value);
}

/** What a font file calls its face. @throws Refused for a file that is none */
export function readFace({ bytes }: Pick<ShapeRequest, 'bytes'>): Promise<{ name: string }> {
  const { fullName } = readable(bytes);
  const name = typeof fullName === 'string' ? fullName.trim().slice(0, 60) : '';
  return Promise.resolve({ name: name === '' ? 'Own face' : name });
}
