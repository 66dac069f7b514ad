import { act, benchRadius, type Editor, server, shownFigure, workOf } from '@/state';

import { setUnderlay } from '@/core/figure/commands';
import { NO_TURN } from '@/core/number';
import { say } from '@/ui/common';

/** Sends a picture to the server, which checks and keeps it, and lays it under the Bench, as high as the wedge. */
export async function layPicture(editor: Editor, file: File): Promise<void> {
  const work = workOf(editor.getState());
  try {
    const picture = await server.keepPicture(file);
    const figure = shownFigure(editor.getState());
    const height = benchRadius(figure, work);
    act(editor, 'Lay an underlay', (now) =>
      setUnderlay(now, {
        picture: picture.id,
        name: file.name.slice(0, 120) || 'Picture',
        width: (height * picture.width) / picture.height,
        height,
        at: { x: 0, y: -height / 2 },
        rotation: NO_TURN,
        strength: 0.5,
        visible: true,
        locked: false,
      }),
    );
  } catch (error) {
    say(error, 'The picture could not be kept.');
  }
}
