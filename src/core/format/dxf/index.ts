import type { TextFormat } from '../format';
import { dxfOf, unitOf, type DxfOptions } from './dxf';

/** Drawing Exchange Format, for cutters and plotters. */
export const dxf: TextFormat<DxfOptions> = {
  kind: 'text',
  id: 'dxf',
  name: 'DXF',
  ending: 'dxf',
  mediaType: 'image/vnd.dxf',
  fields: [
    {
      key: 'curves',
      label: 'Curves',
      help: 'arcs (lines and arcs alone, near every curve), or splines (exact)',
      type: 'choice',
      choices: [
        ['arcs', 'Arcs'],
        ['splines', 'Splines'],
      ],
      word: 'curves',
    },
    {
      key: 'tolerance',
      label: 'Within',
      help: 'thousandths of a millimetre that an arc may be from its curve',
      type: 'count',
      least: 1,
      most: 1000,
      step: 1,
      unit: 'µm',
      word: 'tolerance',
      when: ({ curves }) => curves === 'arcs',
    },
    {
      key: 'layers',
      label: 'Layers',
      help: 'one for each round, for each colour, or for areas and lines',
      type: 'choice',
      choices: [
        ['round', 'By round'],
        ['colour', 'By colour'],
        ['kind', 'By kind'],
      ],
      word: 'layers',
    },
    {
      key: 'lines',
      label: 'Lines as',
      help: 'the outlines of lines as bands, instead of their middles',
      type: 'choice',
      choices: [
        ['middle', 'Middles'],
        ['bands', 'Bands'],
      ],
      word: 'bands',
      wordMeans: 'bands',
    },
  ],
  start: { curves: 'arcs', tolerance: 10, layers: 'round', lines: 'middle' },
  about: ({ lines }, { unit }) =>
    `Outlines of areas and ${lines === 'middle' ? 'middles of lines' : 'lines as bands'} for a cutter, in ${unitOf(unit)}; each once, inner ones first. Circles and arcs stay what they are.`,
  write: ({ figure, scene }, options) =>
    dxfOf(scene, options, new Map(figure.rounds.map(({ id, name }) => [id, name]))),
};

export { type Outline, outlinesOf } from './outlines';
