/**
 * Points, affine maps, lines, arcs and cubics, paths and their nodes.
 *
 * @example
 * const turned = mapPath(path, turnMap(turn(1, 5)));   // by 72 degrees, exactly
 */
export {
  type Affine,
  applyTo,
  compose,
  determinant,
  IDENTITY,
  isIdentity,
  inverse,
  matrixOf,
  MIRROR,
  moveMap,
  scaleMap,
  similarityScale,
  turnMap,
} from './affine';
export { parameterAt, type Station, stationsAlong } from './along';
export { arcsAlong } from './arcs';
export {
  type Bounds,
  boundsOfPaths,
  boundsApart,
  boundsOfSegment,
  boxOfPaths,
  extremaOf,
  isEmptyBounds,
  isInBounds,
} from './bounds';
export { boxScale } from './boxScale';
export { centroidOf, middleOf } from './centroid';
export { chained } from './chained';
export {
  canClose,
  changedContours,
  type Contour,
  contoursOfPaths,
  firstNodeOf,
  mappedContours,
  nodesOfContours,
  pathsOfContours,
  placeOfNode,
} from './contours';
export { crossingsOf, monotoneParts, tangentParameters } from './crossings';
export { dashesOf, pieceAlong } from './cutAlong';
export { curvatureAt, cuspOf, directionAt, leftOf } from './direction';
export { fittedTo } from './fitted';
export { flatten } from './flatten';
export { brushNodes, closedNodes, fittedNodes, type HandPoint } from './freehand';
export { enclosesAll, gapBetween, gapOfCurves } from './gap';
export { convexHull, hullOfPaths, hullsMeet } from './hull';
export { joined } from './joined';
export { withoutNodesKept } from './keptForm';
export { arcLength, lengthUntil, pathLength } from './length';
export { nearestOnPath, touchingRadii } from './nearest';
export { joinedPaths, onLine, roundedCorner, splitAtNode, withReflection } from './nodeOps';
export {
  bare,
  type HandleSide,
  movedNode,
  NODE_KINDS,
  type NodeKind,
  nodesOfPath,
  type PathNode,
  pathOfNodes,
  withHandle,
  withKind,
  withNodeAt,
  withoutNodes,
} from './nodes';
export { drawnOnce } from './once';
export { type Apart, parallelOf, turningBack } from './parallel';
export { partOf, withEnds } from './part';
export {
  areOwnMirror,
  closedPath,
  mapPath,
  type Path,
  polygonPath,
  reversedPath,
  samePath,
  signedArea,
} from './path';
export { onHalfCircle, plainStroke, strokeWithEnds } from './plainStroke';
export {
  add,
  between,
  cross,
  distance,
  dot,
  fromPolar,
  lengthOf,
  ORIGIN,
  point,
  type Point,
  polarOf,
  scaleBy,
  subtract,
} from './point';
export {
  arcFromBulge,
  type ArcSegment,
  bulgeOf,
  cubic,
  type CubicSegment,
  cubicsOfArc,
  derivativeAt,
  line,
  type LineSegment,
  mapSegment,
  pointAt,
  reversed,
  type Segment,
  splitAt,
} from './segment';
export { isSpline, segmentsOfSpline } from './spline';
export { bulgeThrough, circleThrough } from './threePoints';
export { addReports, NOTHING_DONE, tidied, type TidyReport } from './tidy';
export { type GreyPicture, traced, type TraceOptions } from './trace';
export { windingNumber, windingOfCorners } from './winding';
export { meetingBoxes } from './meetingBoxes';
