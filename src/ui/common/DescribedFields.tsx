'use client';

import type { Finding } from '@/core/finding';
import type { LengthUnit, Turn } from '@/core/number';
import { CountField, LengthField, ShareField, TurnField } from './NumberField';
import { Row } from './Panel';
import { Segmented } from './Choices';

interface Described<T, V> {
  readonly caption: string;
  /** Its name, where that says more than the caption. */
  readonly label?: string;
  /** What a change is called as a step; its caption without it. */
  readonly step?: string;
  readonly read: (of: T) => V;
  /** What changes with it. */
  readonly write: (value: V, of: T) => Partial<T>;
}

/** A field of a panel as data: what it shows of something, and what a change of it changes. */
export type DescribedField<T> =
  | ({ readonly type: 'length' } & Described<T, number>)
  | ({ readonly type: 'turn' } & Described<T, Turn>)
  | ({ readonly type: 'count'; readonly least: number; readonly most: number } & Described<T, number>)
  | ({ readonly type: 'share'; readonly least: number; readonly most: number } & Described<T, number>)
  | ({ readonly type: 'choice'; readonly choices: readonly (readonly [string, string])[] } & Described<
      T,
      string
    >);

interface Props<T> {
  readonly fields: readonly DescribedField<T>[];
  readonly of: T;
  readonly unit: LengthUnit;
  readonly disabled: boolean;
  /** Why a change cannot be; null where it can. */
  readonly refuse: (part: Partial<T>) => Finding | null;
  /** @param key of the step, so that one value after another is one step; null where each is one. */
  readonly onChange: (step: string, part: Partial<T>, key: string | null) => void;
}

/** Rows of fields from their descriptions, one under the other. */
export const DescribedFields = <T,>({ fields, of, unit, disabled, refuse, onChange }: Props<T>) =>
  fields.map((field) => {
    const { caption, label = caption, step = caption } = field;
    const named = { label, caption, disabled };
    switch (field.type) {
      case 'length':
      case 'count':
      case 'share': {
        const number = {
          ...named,
          value: field.read(of),
          refuse: (value: number) => refuse(field.write(value, of)),
          onChange: (value: number) => onChange(step, field.write(value, of), label),
        };
        if (field.type === 'length') return <LengthField key={label} {...number} in={unit} />;
        const { least, most } = field;
        return field.type === 'count' ? (
          <CountField key={label} {...number} least={least} most={most} />
        ) : (
          <ShareField key={label} {...number} least={least} most={most} />
        );
      }
      case 'turn':
        return (
          <TurnField
            key={label}
            {...named}
            value={field.read(of)}
            refuse={(value) => refuse(field.write(value, of))}
            onChange={(value) => onChange(step, field.write(value, of), label)}
          />
        );
      case 'choice':
        return (
          <Row key={label} caption={caption}>
            <Segmented
              label={label}
              value={field.read(of)}
              disabled={disabled}
              choices={field.choices.map(([value, name]) => ({ value, label: name }))}
              onChange={(value) => onChange(step, field.write(value, of), null)}
            />
          </Row>
        );
    }
  });
