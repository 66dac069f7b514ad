import { Segmented } from './Choices';
import { Row } from './Panel';

interface Props<T extends string> {
  /** What is chosen, in words: its caption and its name. */
  readonly label: string;
  readonly value: T;
  readonly choices: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** A choice of a few in a row with its caption. */
export const ChoiceRow = <T extends string>({ label, ...rest }: Props<T>) => (
  <Row caption={label}>
    <Segmented label={label} {...rest} />
  </Row>
);
