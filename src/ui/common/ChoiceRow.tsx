import { Choices, Segmented } from './Choices';
import { Row } from './Panel';

interface Props<T extends string> {
  /** What is chosen, in words: its caption and its name. */
  readonly label: string;
  readonly value: T;
  readonly choices: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
  /** There is little room beside the caption. */
  readonly narrow?: boolean;
}

/** As many letters of all choices together as one row has room for. */
const MOST_IN_ROW = 24;

/** A choice of a few with its caption: in a row, or where that has no room two side by side. */
export const ChoiceRow = <T extends string>({ label, narrow = false, ...rest }: Props<T>) => {
  const isLong = narrow && rest.choices.reduce((sum, choice) => sum + choice.label.length, 0) > MOST_IN_ROW;
  return (
    <Row caption={label}>
      {isLong ? <Choices label={label} {...rest} /> : <Segmented label={label} {...rest} />}
    </Row>
  );
};
