'use client';

import { useRef } from 'react';

import type { Round } from '@/core/figure';
import { MOST_CHARACTERS, START_WORDS } from '@/core/words';
import { Button, Row } from '@/ui/common';
import { useWords, type WordsShape } from './useWords';

interface Props {
  readonly round: Round;
  readonly shape: WordsShape;
  readonly disabled: boolean;
}

/** The text of words on a ring, and the face that they are set in. */
export function WordsFields({ round, shape, disabled }: Props) {
  const { faces, words, text, missing, problem, type, rest, setFace, bring } = useWords(round, shape);
  const file = useRef<HTMLInputElement>(null);
  const isKnown = faces.length === 0 || faces.some(({ id }) => id === words.face);
  return (
    <>
      <textarea
        aria-label="Words"
        dir="auto"
        rows={2}
        maxLength={MOST_CHARACTERS}
        disabled={disabled}
        autoFocus={words.text === START_WORDS.text}
        className="w-full resize-y rounded-ui border border-line-strong bg-field px-2.5 py-1.5 outline-none focus:outline-2 focus:outline-kelp"
        value={text ?? words.text}
        spellCheck={false}
        onFocus={(event) => event.target.select()}
        onChange={(event) => type(event.target.value)}
        onBlur={rest}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter' || event.key === 'Escape') {
            event.preventDefault();
            event.currentTarget.blur();
          }
        }}
      />
      <Row caption="Face">
        <select
          aria-label="Face"
          className="h-[30px] w-full rounded-ui border border-line-strong bg-field px-2"
          value={words.face}
          disabled={disabled || faces.length === 0}
          onChange={(event) => setFace(event.target.value)}
        >
          {!isKnown && <option value={words.face}>not on this machine</option>}
          {faces.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </Row>
      <input
        ref={file}
        type="file"
        accept=".ttf,.otf,.woff,.woff2"
        aria-label="Font file"
        className="hidden"
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          if (chosen) bring(chosen);
          event.target.value = '';
        }}
      />
      <Button
        disabled={disabled}
        title="A font file of your own: TTF, OTF, WOFF, WOFF2"
        onClick={() => file.current?.click()}
      >
        Own face…
      </Button>
      {missing.length > 0 && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          This face has no {missing.slice(0, 12).join(' ')}: another may have{' '}
          {missing.length === 1 ? 'it' : 'them'}.
        </p>
      )}
      {problem && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          {problem}
        </p>
      )}
    </>
  );
}
