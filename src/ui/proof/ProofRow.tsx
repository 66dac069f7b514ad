'use client';

import { Check as CheckMark, TriangleAlert } from 'lucide-react';
import { useEffect } from 'react';

import { askedTarget, groupsOf, shownFigure } from '@/state';
import { goToStage } from '@/ui/keys';
import { Button, ProgressBar } from '@/ui/common';
import { plural, useEditor, useEditorState, useProof, useWorkshop } from '@/ui/desk';

/** What the proof for the chosen target says, where a figure is handed over: it can go out all the same. */
export function ProofRow({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const { proofing } = useWorkshop();
  const figure = useEditorState(shownFigure);
  const proof = useProof((state) => state.proof);
  const isOld = useProof((state) => state.of !== figure);
  const progress = useProof((state) => state.progress);
  const problem = useProof((state) => state.problem);
  useEffect(() => {
    if (isOld) proofing.again();
  }, [isOld, proofing, figure]);
  const target = askedTarget(figure);
  const groups = proof && !isOld ? groupsOf(proof, figure.proof?.left) : null;
  const wrong =
    groups?.filter(({ severity }) => severity === 'error').flatMap(({ findings }) => findings) ?? [];
  const all = groups?.flatMap(({ findings }) => findings) ?? [];
  const Icon = all.length === 0 ? CheckMark : TriangleAlert;
  return (
    <div
      role="status"
      aria-label="Proof"
      className="flex min-h-[40px] items-center gap-2 rounded-ui border border-line bg-field px-2.5 py-1 text-[12px]"
    >
      {groups ? (
        <>
          <Icon
            size={17}
            strokeWidth={1.9}
            aria-hidden
            className={
              wrong.length > 0 ? 'text-coral-text' : all.length > 0 ? 'text-brass-text' : 'text-kelp'
            }
          />
          <span className="flex-1 leading-4">
            For {target.name}:{' '}
            {all.length === 0
              ? 'nothing to mend.'
              : `${plural(all.length, 'finding', 'findings')}${wrong.length > 0 ? `, ${wrong.length} of them wrong` : ''}. It can leave all the same.`}
          </span>
        </>
      ) : (
        <>
          <span className="leading-4">{problem ?? `Looking whether it is right for ${target.name} …`}</span>
          {!problem && progress !== null && <ProgressBar label="Proofing" share={progress} />}
        </>
      )}
      <Button
        tone="quiet"
        className="px-2 text-[12px]"
        onClick={() => {
          onClose();
          goToStage(editor, 'proof');
        }}
      >
        See proof
      </Button>
    </div>
  );
}
