import type { BundleFormat } from '../format';
import { BACKGROUND } from '../svg';
import { iconFiles, type IconChoices } from './icons';

/** What a person names rounds by: their names or ids, separated by commas. */
const wordsIn = (text: string): readonly string[] =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter((word) => word !== '');

/** The icons of a web site, as a ZIP. */
export const icons: BundleFormat<IconChoices> = {
  kind: 'bundle',
  id: 'icons',
  name: 'Icons',
  ending: 'icons.zip',
  mediaType: 'application/zip',
  fields: [
    {
      key: 'dark',
      label: 'In the dark',
      help: 'the SVG icon has light and dark change places where the system is dark',
      type: 'choice',
      choices: [
        ['same', 'As it is'],
        ['turned', 'Light turned'],
      ],
      word: 'dark',
      wordMeans: 'turned',
    },
    {
      key: 'without',
      label: 'Up to 48 px without',
      help: 'rounds that icons of 16 to 48 pixels do without, by names or ids',
      type: 'rounds',
      word: 'small-without',
    },
    BACKGROUND,
  ],
  start: { background: true, dark: 'same', without: '' },
  about: () =>
    'favicon.ico with 16, 32 and 48 pixels, an SVG icon, 180 for touch, 192, 512, a maskable one within its safe circle, the web manifest, and the lines of HTML that use them.',
  pack: ({ figure, scene }, { without, ...options }) => {
    const words = new Set(wordsIn(without));
    const gone = figure.rounds.filter(({ id, name }) => words.has(id) || words.has(name)).map(({ id }) => id);
    return iconFiles(scene, figure.name, options, new Set(gone));
  },
};

export { SAFE_RADIUS } from './icons';
