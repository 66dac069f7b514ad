import Link from 'next/link';

import { Mark } from './Mark';

/** In place of a figure that cannot be opened: why, and the way back. */
export function NotOpened({ why }: { readonly why: string }) {
  return (
    <main className="flex h-full flex-col items-center justify-center gap-3 p-6 text-center">
      <Mark size={56} />
      <h1 className="font-title text-[22px] leading-7 font-semibold">This figure was not opened</h1>
      <p role="alert" className="max-w-[460px] text-muted">
        {why}
      </p>
      <Link href="/" className="rounded-ui bg-kelp px-4 py-1.5 font-semibold text-on-kelp">
        To the Shelf
      </Link>
    </main>
  );
}
