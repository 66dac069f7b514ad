'use client';

import {
  type BuiltForm,
  factsOfForm,
  type Field,
  formFinding,
  type MakerFact,
  makerOf,
  type Params,
  type Value,
  withParams,
} from '@/core/maker';
import { turn, type Turn } from '@/core/number';
import { printNumber } from '@/core/format';
import { activeRound, shownFigure } from '@/state';
import {
  Button,
  CountField,
  Fact,
  LengthField,
  ListField,
  Row,
  Segmented,
  ShareField,
  TurnField,
} from '@/ui/common';
import { useEditorState, useWork } from '@/ui/desk';

interface Props {
  readonly form: BuiltForm;
  readonly disabled: boolean;
  readonly onChange: (form: BuiltForm) => void;
}

/** The params of a construction, each with the field that suits it; what makes nothing is refused there. */
export function BuiltFields({ form, disabled, onChange }: Props) {
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const fold = useEditorState((state) => activeRound(state)?.rule.fold ?? 1);
  const work = useWork();
  const maker = makerOf(form.kind);
  const params: Params = form.params;
  const set = (key: string, value: Value): BuiltForm => withParams(form, { ...params, [key]: value });
  const refuse = (key: string) => (value: Value) => formFinding(set(key, value), work);

  const field = (asked: Field<Params>) => {
    const { key, label } = asked;
    const base = { label, caption: label, disabled };
    const value = params[key] ?? asked.absent;
    const take = (next: Value): void => onChange(set(key, next));
    switch (asked.type) {
      case 'length':
        return (
          <LengthField
            key={key}
            {...base}
            value={value as number}
            in={unit}
            refuse={refuse(key)}
            onChange={take}
          />
        );
      case 'count':
        return (
          <CountField
            key={key}
            {...base}
            value={value as number}
            least={asked.least}
            most={asked.most}
            refuse={refuse(key)}
            onChange={take}
          />
        );
      case 'share':
        return (
          <ShareField
            key={key}
            {...base}
            value={value as number}
            least={asked.least}
            most={asked.most}
            refuse={refuse(key)}
            onChange={take}
          />
        );
      case 'turn':
        return <TurnField key={key} {...base} value={value as Turn} refuse={refuse(key)} onChange={take} />;
      case 'list':
        return (
          <ListField
            key={key}
            {...base}
            value={value as readonly number[]}
            in={unit}
            most={asked.most}
            refuse={refuse(key)}
            onChange={take}
          />
        );
      case 'drawn':
      case 'parts':
      case 'places':
      case 'words':
        return null;
      case 'choice':
        return (
          <Row key={key} caption={label}>
            <Segmented
              label={label}
              value={value as string}
              disabled={disabled}
              choices={asked.choices.map(([each, name]) => ({ value: each, label: name }))}
              onChange={(next) => formFinding(set(key, next), work) === null && take(next)}
            />
          </Row>
        );
    }
  };

  const words = ({ value, as }: MakerFact): string =>
    as === 'plain' ? printNumber(value, 6) : `${printNumber(value, 4)}${as === 'degrees' ? '°' : ` ${unit}`}`;

  return (
    <>
      {maker.fields.filter(({ when }) => when?.(params) ?? true).map(field)}
      {form.kind === 'ray' && form.params.by === 'angle' && fold > 2 && (
        <Button disabled={disabled} onClick={() => onChange(set('angle', turn(1, fold)))}>
          Exactly the wedge ({printNumber(360 / fold, 3)}°)
        </Button>
      )}
      {factsOfForm(form, work).map((fact) => (
        <Fact key={fact.caption} caption={fact.caption}>
          {words(fact)}
        </Fact>
      ))}
    </>
  );
}
