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
      help: 'one for each round, or for each colour',
      type: 'choice',
      choices: [
        ['round', 'By round'],
        ['colour', 'By colour'],
      ],
      word: 'layers',
    },
  ],
  start: { curves: 'arcs', tolerance: 10, layers: 'round' },
  about: (_, { unit }) =>
    `Outlines of areas and middles of lines for a cutter, in ${unitOf(unit)}; each once, inner ones first. Circles and arcs stay what they are.`,
  write: ({ figure, scene }, options) =>
    dxfOf(scene, options, new Map(figure.rounds.map(({ id, name }) => [id, name]))),
};
