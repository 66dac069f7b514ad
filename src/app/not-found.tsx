import Link from 'next/link';

import { Mark } from '@/ui/common';

export default function NotFoundPage() {
  return (
    <main className="flex h-full flex-col items-center justify-center gap-3 p-6 text-center">
      <Mark size={56} />
      <h1 className="font-title text-[22px] leading-7 font-semibold">There is nothing here</h1>
      <p className="max-w-[360px] text-muted">
        The figure may have been deleted, or the address has a slip in it.
      </p>
      <Link href="/" className="rounded-ui bg-kelp px-4 py-1.5 font-semibold text-on-kelp">
        To the Shelf
      </Link>
    </main>
  );
}
