import type { Result } from '@/core/finding';

/** Something that was asked for cannot be done; the message is for the person who asked. */
export class Refused extends Error {
  readonly status: number = 400;
}

export class NotFound extends Refused {
  override readonly status = 404;
}

export class Conflict extends Refused {
  override readonly status = 409;
}

/** Too much is asked at once; the same may be asked again. */
export class Busy extends Refused {
  override readonly status = 503;
}

export class TooLarge extends Refused {
  override readonly status = 413;
}

/** The data cannot be used at all as it is, whatever is asked. */
export class Unusable extends Refused {
  override readonly status = 503;
}

/** What is stored, or was sent to be, is not what it should be. */
export class Broken extends Refused {
  override readonly status = 422;
}

/** What came of reading something. @throws Broken with the reason where nothing did */
export function sound<T>(result: Result<T>): T {
  if (!result.ok) throw new Broken(result.finding.sentence);
  return result.value;
}
