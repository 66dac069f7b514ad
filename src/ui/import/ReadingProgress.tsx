import { Button, ProgressBar } from '@/ui/common';

/** How far a file is read, and a way to leave it. */
export function ReadingProgress({ share, onStop }: { readonly share: number; readonly onStop: () => void }) {
  return (
    <div className="flex items-center gap-2">
      <ProgressBar label="Reading the file" share={share} />
      <Button onClick={onStop}>Stop</Button>
    </div>
  );
}
