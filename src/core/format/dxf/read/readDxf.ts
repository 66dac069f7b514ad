/**
 * What a DXF draws (DXF Reference; group codes as dxf-parser has them).
 *
 * @example
 * const read = readDxf(text);
 * if (read.ok) show(read.value.nodes, read.value.unit);
 */
import DxfParser, { type IBlock, type IDxf, type IEntity, type IInsertEntity, type ILayer } from 'dxf-parser';

import {
  type Affine,
  boundsOfPaths,
  chained,
  compose,
  IDENTITY,
  mapPath,
  moveMap,
  type Path,
} from '@/core/curve';
import type { Progress, TaskKind } from '@/core/derive';
import { failed, finding, ok, type Result } from '@/core/finding';
import { convertLength, type LengthUnit } from '@/core/number';
import type { Colour, Paint } from '@/core/scene';
import {
  shapesOfNodes,
  type DrawnGroup,
  type DrawnNode,
  type DrawnShape,
  type Drawing,
} from '../../drawing/drawing';
import { LeftOuts } from '../../drawing/leftOut';
import { pathsOfEntity } from './entities';
import { SplineReader } from './splineReader';

/** Values of $INSUNITS: the unit that a figure has for it, and how many of that it is. Without one it is taken as millimetres, as is common. */
const UNITS: Readonly<Record<number, readonly [LengthUnit, number]>> = {
  1: ['in', 1],
  2: ['in', 12],
  4: ['mm', 1],
  5: ['cm', 1],
  6: ['mm', 1000],
};

/** What lines without a width of their own are drawn with, in millimetres (common practice). */
const HAIRLINE = 0.25;
/** What is fitted, and ends that meet, as a share of the drawing. */
const NEAR = 1e-6;
const MOST_BLOCKS = 8;
const MOST_ENTITIES = 200_000;

/** What entities are called that are drawn. */
const NAMES: Readonly<Record<string, string>> = {
  LINE: 'Line',
  ARC: 'Arc',
  CIRCLE: 'Circle',
  ELLIPSE: 'Ellipse',
  LWPOLYLINE: 'Path',
  POLYLINE: 'Path',
  SPLINE: 'Curve',
  SOLID: 'Area',
};

/** Entities that are not drawn, in plain words; others are told by their own names. */
const NOT_KEPT: Readonly<Record<string, string>> = {
  TEXT: 'text',
  MTEXT: 'text',
  ATTDEF: 'text',
  ATTRIB: 'text',
  DIMENSION: 'dimension',
  POINT: 'point',
  HATCH: 'hatch',
  IMAGE: 'picture',
  LEADER: 'leader',
  MLEADER: 'leader',
  VIEWPORT: 'viewport',
};

const hex = (colour: number): Colour => `#${(colour & 0xffffff).toString(16).padStart(6, '0')}`;

/** Colour 7 is black on paper and white on a dark screen. */
const inkOf = (colour: number): Colour => (colour === 0xffffff ? '#000000' : hex(colour));

/** A path that is drawn, with what tells which others it may be joined with. */
interface Drawn {
  readonly path: Path;
  readonly layer: string;
  readonly paint: Paint;
  readonly name: string;
}

/** What a block's place hands on to what is in it. */
interface Placed {
  readonly map: Affine;
  readonly layer: string;
  readonly colour: number | null;
  readonly depth: number;
}

const turned = (degrees: number): Affine => {
  const angle = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { a: cos, b: sin, c: -sin, d: cos, e: 0, f: 0 };
};

/** From a block's coordinates to those that it is put in, for each of its rows and columns. */
function placesOf(insert: IInsertEntity, block: IBlock): Affine[] {
  // What a file leaves out is not there, whatever the types say.
  const {
    xScale = 1,
    yScale = 1,
    rotation = 0,
    columnCount = 1,
    rowCount = 1,
  } = insert as Partial<IInsertEntity>;
  const { columnSpacing = 0, rowSpacing = 0, position } = insert as Partial<IInsertEntity>;
  const base = (block as Partial<IBlock>).position ?? { x: 0, y: 0 };
  const columns = Math.min(Math.max(1, columnCount), 1000);
  const rows = Math.min(Math.max(1, rowCount), 1000);
  return Array.from({ length: columns * rows }, (_, k) => {
    const off = { x: (k % columns) * columnSpacing, y: Math.floor(k / columns) * rowSpacing };
    const scale = { a: xScale, b: 0, c: 0, d: yScale, e: 0, f: 0 };
    return [
      moveMap(position ?? { x: 0, y: 0 }),
      turned(rotation),
      moveMap(off),
      scale,
      moveMap({ x: -base.x, y: -base.y }),
    ].reduce(compose);
  });
}

/** Draws entities and blocks in the file's own coordinates, up being up. */
class Drawer {
  private count = 0;

  constructor(
    private readonly file: IDxf,
    private readonly unit: readonly [LengthUnit, number],
    private readonly left: LeftOuts,
    private readonly tolerance: number,
  ) {}

  /** The entities as nodes of their layers, each in the order of the file. */
  layers(entities: readonly IEntity[], placed: Placed): Map<string, DrawnNode[]> {
    const drawn: Drawn[] = [];
    const nodes = new Map<string, DrawnNode[]>();
    const layerNodes = (name: string): DrawnNode[] => {
      const known = nodes.get(name) ?? [];
      nodes.set(name, known);
      return known;
    };
    for (const entity of entities) {
      this.count += 1;
      if (this.count > MOST_ENTITIES)
        throw new RangeError(`The file draws more than ${MOST_ENTITIES} entities.`);
      if (!this.isSeen(entity)) continue;
      const layer = this.layerOf(entity, placed);
      if (entity.type === 'INSERT') layerNodes(layer).push(...this.inserted(entity as IInsertEntity, placed));
      else if (NAMES[entity.type] === undefined) this.left.add(NOT_KEPT[entity.type] ?? entity.type);
      else {
        layerNodes(layer);
        drawn.push(...this.pathsOf(entity, layer, placed));
      }
    }
    for (const [layer, own] of nodes)
      own.push(
        ...shapesOf(
          drawn.filter((each) => each.layer === layer),
          this.tolerance,
        ),
      );
    return nodes;
  }

  private isSeen(entity: IEntity): boolean {
    const { visible = true, inPaperSpace = false } = entity as Partial<IEntity>;
    const layer = this.layer((entity as Partial<IEntity>).layer ?? '0');
    return visible && !inPaperSpace && layer?.visible !== false && layer?.frozen !== true;
  }

  private layer(name: string): ILayer | undefined {
    const tables = this.file.tables as Partial<IDxf['tables']> | undefined;
    return tables?.layer?.layers[name];
  }

  /** What lies on layer 0 of a block is on the layer that the block is put on. */
  private layerOf(entity: IEntity, { layer }: Placed): string {
    const own = (entity as Partial<IEntity>).layer ?? '0';
    return own === '0' ? layer : own;
  }

  private colourOf(entity: IEntity, placed: Placed): number {
    const { color, colorIndex } = entity as Partial<IEntity>;
    if (colorIndex === 0 && placed.colour !== null) return placed.colour;
    const isOwn = color !== undefined && colorIndex !== 256 && colorIndex !== 0;
    return isOwn ? color : (this.layer(this.layerOf(entity, placed))?.color ?? 0);
  }

  private pathsOf(entity: IEntity, layer: string, placed: Placed): Drawn[] {
    const made = pathsOfEntity(entity, this.tolerance);
    if (!made) {
      this.left.add(NOT_KEPT[entity.type] ?? entity.type);
      return [];
    }
    const [unit, count] = this.unit;
    const colour = inkOf(this.colourOf(entity, placed));
    const { lineweight = 0 } = entity as Partial<IEntity>;
    const plain = convertLength((lineweight > 0 ? lineweight / 100 : HAIRLINE) / count, 'mm', unit);
    const stroke = { colour, width: made.width ?? plain, cap: 'round', join: 'round' } as const;
    const paint: Paint = made.isArea ? { fill: colour, stroke: null } : { fill: null, stroke };
    const name = NAMES[entity.type] ?? 'Shape';
    return made.paths
      .filter(({ segments }) => segments.length > 0)
      .map((path) => ({ path: mapPath(path, placed.map), layer, paint, name }));
  }

  private inserted(insert: IInsertEntity, placed: Placed): DrawnNode[] {
    const blocks = this.file.blocks as Partial<Record<string, IBlock>> | undefined;
    const block = blocks?.[insert.name];
    if (!block) return [];
    if (placed.depth === MOST_BLOCKS) throw new RangeError('The file puts blocks into themselves.');
    return placesOf(insert, block).flatMap((place): DrawnGroup[] => {
      const map = compose(placed.map, place);
      const inner = {
        map,
        layer: this.layerOf(insert, placed),
        colour: this.colourOf(insert, placed),
        depth: placed.depth + 1,
      };
      const entities = (block as Partial<IBlock>).entities ?? [];
      const children = [...this.layers(entities, inner).values()].flat();
      const used = { id: insert.name, map };
      return children.length === 0
        ? []
        : [{ kind: 'group', name: insert.name, children, clip: null, blend: 'normal', used }];
    });
  }
}

/** Lines of one look, joined where they meet, each as a shape. */
function shapesOf(drawn: readonly Drawn[], near: number): DrawnShape[] {
  const looks = new Map<string, Drawn[]>();
  for (const each of drawn) {
    const key = JSON.stringify(each.paint);
    looks.set(key, [...(looks.get(key) ?? []), each]);
  }
  return [...looks.values()].flatMap((alike) => {
    const names = new Map(alike.map(({ path, name }) => [path, name]));
    const [first] = alike;
    return chained(
      alike.map(({ path }) => path),
      near,
    ).map((path): DrawnShape => ({
      kind: 'shape',
      name: names.get(path) ?? (path.segments.length === 1 ? (first?.name ?? null) : 'Path'),
      paths: [path],
      rule: 'nonzero',
      paint: first?.paint ?? { fill: null, stroke: null },
    }));
  });
}

/** Nodes in pixels from the upper left corner. */
function mapNodes(nodes: readonly DrawnNode[], map: Affine, scale: number): DrawnNode[] {
  return nodes.map((node): DrawnNode => {
    if (node.kind === 'group')
      return {
        ...node,
        children: mapNodes(node.children, map, scale),
        used: node.used && { ...node.used, map: compose(map, node.used.map) },
      };
    const { stroke } = node.paint;
    return {
      ...node,
      paths: node.paths.map((path) => mapPath(path, map)),
      paint: { ...node.paint, stroke: stroke && { ...stroke, width: stroke.width * scale } },
    };
  });
}

/** Types of entities that the parser passes over without a word. */
function passedOver(text: string, left: LeftOuts): void {
  const from = text.search(/^\s*2\r?\nENTITIES\s*$/m);
  if (from < 0) return;
  const part = text.slice(from);
  for (const [, type = ''] of part.matchAll(/^\s*0\r?\n([A-Z]\w*)\s*$/gm))
    if (type === 'HATCH' || type === 'IMAGE' || type === 'LEADER' || type === 'MLEADER' || type === 'WIPEOUT')
      left.add(NOT_KEPT[type] ?? type);
}

const unreadable = (sentence: string): Result<never> => failed(finding('dxf.unreadable', sentence));

function parsed(text: string): Result<IDxf> {
  if (text.includes('\u0000')) return unreadable('This is a binary DXF; only text ones can be read.');
  if (!/^\s*(0|999)\r?\n/.test(text)) return unreadable('This is not a DXF file.');
  try {
    const parser = new DxfParser();
    parser.registerEntityHandler(SplineReader);
    const file = parser.parseSync(text);
    if (file) return ok(file);
  } catch (error) {
    return unreadable(`This DXF cannot be read: ${error instanceof Error ? error.message : 'it breaks off'}`);
  }
  return unreadable('This DXF cannot be read.');
}

/** How large the drawing is in the file's unit, roughly: what is near is a share of it. */
function sizeOf(header: IDxf['header'], entities: readonly IEntity[]): number {
  const { $EXTMIN: low, $EXTMAX: high } = header as Partial<Record<string, { x?: number; y?: number }>>;
  const told = Math.max((high?.x ?? 0) - (low?.x ?? 0), (high?.y ?? 0) - (low?.y ?? 0));
  if (Number.isFinite(told) && told > 0 && told < 1e9) return told;
  const paths = entities.flatMap((entity) => pathsOfEntity(entity, 1)?.paths ?? []);
  const { left, right, top, bottom } = boundsOfPaths(paths);
  const own = Math.max(right - left, bottom - top);
  return Number.isFinite(own) && own > 0 ? own : 100;
}

/** What a DXF draws: its layers as groups, its blocks as groups in them, as large as it is. */
export function readDxf(text: string, progress?: Progress): Result<Drawing> {
  const file = parsed(text);
  if (!file.ok) return file;
  progress?.(0.5);
  const left = new LeftOuts();
  passedOver(text, left);
  // What a file leaves out is not there, whatever the types say.
  const { entities = [], header = {} } = file.value as Partial<IDxf>;
  const unit = UNITS[Number(header['$INSUNITS'] ?? 0)] ?? (['mm', 1] as const);
  const drawer = new Drawer(file.value, unit, left, NEAR * sizeOf(header, entities));
  const top: Placed = { map: IDENTITY, layer: '0', colour: null, depth: 0 };
  let layers: Map<string, DrawnNode[]>;
  try {
    layers = drawer.layers(entities, top);
  } catch (error) {
    if (error instanceof RangeError) return unreadable(error.message);
    throw error;
  }
  const groups = [...layers].filter(([, nodes]) => nodes.length > 0);
  const paths = groups.flatMap(([, nodes]) => shapesOfNodes(nodes)).flatMap((shape) => shape.paths);
  if (paths.length === 0) return failed(finding('artwork.nothing'));
  const box = boundsOfPaths(paths);
  const sides = [box.left, box.right, box.top, box.bottom];
  if (!sides.every((side) => Math.abs(side) < 1e9))
    return unreadable('The file has coordinates that are no numbers, or too large.');
  const scale = convertLength(unit[1], unit[0], 'px');
  // The file's up is the figure's up, which is against its y.
  const map = { a: scale, b: 0, c: 0, d: -scale, e: -box.left * scale, f: box.bottom * scale };
  const nodes = groups.map(([name, own]): DrawnNode => ({
    kind: 'group',
    name,
    children: mapNodes(own, map, scale),
    clip: null,
    blend: 'normal',
    used: null,
  }));
  const [only, another] = nodes;
  return ok({
    title: null,
    width: Math.max(box.right - box.left, 1e-3) * scale,
    height: Math.max(box.bottom - box.top, 1e-3) * scale,
    unit: unit[0],
    origin: { x: map.e, y: map.f },
    nodes: only?.kind === 'group' && !another ? only.children : nodes,
    left: left.list(),
  });
}

/** Milliseconds for each character, about. */
const COST_OF_CHARACTER = 0.0005;

/** Reading a DXF text as a task; see `readDxf`. */
export const READ_DXF: TaskKind<{ readonly text: string }, Drawing> = {
  name: 'readDxf',
  cost: ({ text }) => COST_OF_CHARACTER * text.length,
  run: ({ text }, progress) => readDxf(text, progress),
};
