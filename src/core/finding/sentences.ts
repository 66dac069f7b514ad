/**
 * All sentences of the core, by their codes, apart from the arithmetic that finds what they say. A sentence is whole, says what is
 * wrong and where it can what would help; numbers come as the field shows them.
 */
/** A number as a sentence shows it. */
const shown = (value: number, digits = 6): string => String(Number(value.toPrecision(digits)));

export const SENTENCES = {
  // Paths and their nodes.
  'path.nodes': () => 'A path needs two nodes at least.',
  'node.none': () => 'There is no node here.',
  'node.sides': () => 'This node has no sides to round between.',
  'node.curved': () => 'Both sides have to be straight to be rounded by a radius.',
  'node.radius': () => 'A radius is above 0.',
  'node.straight': () => 'The sides run straight on here: there is no corner.',
  'node.room': (most: number) => `The sides leave room for a radius of ${shown(most)} at most.`,
  'node.end': () => 'An open path is cut at a node between its ends.',
  'join.closed': () => 'Only open paths can be joined.',
  'join.ends': () => 'These paths have no ends.',
  'mirror.closed': () => 'A closed path is whole already.',
  'mirror.axis': () => 'One end has to be on the axis.',

  // Numbers of fields.
  'number.above': (what: string) => `${what} is above 0.`,
  'number.aboveTo': (what: string, most: number) => `${what} is above 0 and at most ${shown(most)}.`,
  'number.notBelow': (what: string) => `${what} is not below 0.`,
  'number.to': (what: string, least: number, most: number) =>
    `${what} is from ${shown(least)} to ${shown(most)}.`,
  'rings.radius': () => 'A ring has a radius above 0.',
  'dashes.none': () => 'One of the dashes is above 0.',
  'step.closes': (most: number) => `A step is more than 0° and closes with at most ${most} copies.`,
  'reach.farther': (inner: number) => `It reaches farther out than ${shown(inner, 4)}.`,

  // Palettes as files.
  'tokens.large': () => 'This palette file is larger than 1 MB.',
  'tokens.json': () => 'This file is no JSON, so it holds no design tokens.',
  'tokens.none': () => 'There are no colour tokens in this file.',
  'tokens.broken': (count: number) => `None of the ${count} colour tokens in this file is a colour.`,
  'tokens.many': (count: number, most: number) =>
    `This file has ${count} colours; a palette has ${most} at most.`,

  // What constructions are made of.
  'input.none': () => 'There is no such shape in this motif for it to be made of.',
  'input.circle': () => 'A shape cannot be made of itself, nor of what is made of it.',
  'input.work': () => 'Bands, offsets and whirls are worked out themselves: make them plain first.',

  // Constructions.
  'petal.size': () => 'A petal needs a length and a width above 0.',
  'petal.radius': () => 'The circles need a radius above 0.',
  'petal.apart': (most: number) =>
    `The circles overlap when their centres are between 0 and ${shown(most)} apart.`,
  'polygon.sides': (most: number) => `A polygon has 3 to ${most} sides.`,
  'polygon.diagonals': (most: number) => `With all diagonals a polygon has at most ${most} sides.`,
  'polygon.radius': () => 'A polygon needs a radius above 0.',
  'ellipse.size': () => 'An ellipse needs a width and a height above 0.',
  'ray.reach': () => 'A ray reaches farther than 0.',
  'ray.angle': () => 'The angle of a ray is above 0° and below 180°.',
  'ray.width': () => 'The rim is wider than 0.',
  'ray.rim': (most: number) => `A round rim is at most ${shown(most)} wide at this reach.`,
  'ray.tip': (reach: number) => `The point is between 0 and ${shown(reach)} long.`,
  'drop.width': () => 'A drop is wider than 0.',
  'drop.length': (width: number) => `A drop is longer than wide: more than ${shown(width)}.`,
  'heart.width': () => 'A heart is wider than 0.',
  'heart.notch': (most: number) => `The notch is above 0 and at most ${shown(most)} deep.`,
  'heart.length': (least: number) => `A heart of this width is longer than ${shown(least)}.`,
  'scallop.radius': () => 'The corners are farther than 0 away.',
  'scallop.angle': () => 'The angle is above 0° and below 360°.',
  'scallop.rise': (most: number) => `The rise is above 0 and at most ${shown(most)}.`,
  'kite.size': () => 'A kite needs a length and a width above 0.',
  'kite.widest': (length: number) => `A kite is widest between 0 and ${shown(length)}.`,
  'blade.size': () => 'Radius, width and length are above 0.',
  'barFrame.radius': () => 'The corners are farther than 0 away.',
  'barFrame.bar': (most: number) => `A bar is between 0 and ${shown(most)} wide here.`,
  'star.radius': () => 'A star needs a radius above 0.',
  'star.skip': (points: number) => `With ${points} points, k goes from 2 to ${Math.ceil(points / 2) - 1}.`,
  'ring.gap': (most: number) => `The gap is below ${shown(most)} here.`,
  'ring.radius': (most: number) => `Radius and half the gap are at most ${shown(most)} together.`,
  'ring.size': () => 'Radius and ring radius are above 0.',
  'ring.count': (most: number) => `A ring has 2 to ${most} circles.`,
  'lattice.size': () => 'Radius and distance are above 0.',
  'lattice.clip': () => 'The circle to clip to has a radius above 0.',
  'face.broken': () => 'This file is no face that can be read: OpenType, TrueType, WOFF and WOFF2 files are.',
  'words.none': () => 'There are no words: type some.',
  'words.many': (most: number) => `A line has ${most} characters at most.`,
  'words.blank': () => 'Nothing of these words can be seen in this face.',
  'words.size': () => 'Radius and height of words are above 0.',
  'words.span': () => 'Words take more than none of a turn, and a whole one at most.',
  'words.room': () => 'There is no room for the words: take a larger radius, or less spacing.',
  'words.long': () => 'The words would go more than once round: make them smaller, or the radius larger.',
  'proof.gone': () => 'What this would mend is no longer there: look again.',
  'bend.strip': () => 'A strip is wider and higher than 0.',
  'bend.span': () => 'A strip takes more than none of a turn, and a whole one at most.',
  'bend.bow': (most: number) => `A bow goes ${most}° round at most; wrapped, a strip goes all round.`,
  'bend.size': () => 'Radius and height of a bent strip are above 0.',
  'bend.twist': (most: number) => `A twist is ${most}° at most, either way.`,
  'bend.overlap': () => 'The ends are so far apart that nothing is left of the strip.',
  'bend.centre': (radius: number) =>
    `The strip would reach the centre: its inner edge has to stay outside it, at a radius of ${shown(radius)}.`,
  'dial.radius': () => 'A dial needs a radius above 0.',
  'dial.marks': () => 'Name two distances at least, as in “40, 70, 100”.',
  'dial.order': () => 'Distances rise from one to the next and start at 0 or more.',
  'dial.cells': (cells: number, most: number) => `That makes ${cells} cells; a dial has ${most} at most.`,
  'bar.size': () => 'Length and width are above 0.',
  'bar.tip': () => 'A tip is longer than 0.',
  'bar.angle': () => 'A tip has an angle between 0° and 180°.',
  'bar.room': (length: number) => `The tips have room in a length of ${shown(length)} at most.`,
  'branch.length': () => 'Stem and arms are longer than 0.',
  'branch.angle': () => 'Arms leave at an angle between 0° and 180°.',
  'branch.pairs': (length: number) =>
    `The pairs stand between 0 and ${shown(length)}, the last not before the first.`,
  'branch.growth': () => 'Gaps grow by a factor above 0.',
  'branch.width': (length: number) => `Bars are between 0 and ${shown(length)} wide.`,
  'whirl.radius': () => 'A whirl needs a radius above 0.',
  'whirl.angle': (sides: number) =>
    `With ${sides} sides it turns by more than 0° and less than ${shown(360 / sides)}°.`,
  'whirl.smallest': (radius: number) => `The smallest is above 0 and at most ${shown(radius)}.`,
  'scroll.radius': () => 'The last radius is above 0.',
  'scroll.growth': () => 'It grows by 1 to 4 from quarter to quarter.',
  'knot.radius': () => 'A knot needs a radius above 0.',
  'knot.skip': (lobes: number) => `With ${lobes} lobes, k goes from 1 to ${Math.floor(lobes / 2)}.`,
  'knot.arc': () => 'An arc is above 0° and below 360°.',
  'rectangle.size': () => 'A rectangle needs a width and a height above 0.',
  'rectangle.corner': () => 'A corner’s radius is 0 or more.',
  'rectangle.width': (width: number) =>
    `Two corners beside each other have at most ${shown(width)} together.`,
  'rectangle.height': (height: number) =>
    `Two corners above each other have at most ${shown(height)} together.`,
  'stamp.parts': () => 'A stamp needs a line and a shape.',
  'stamp.spacing': () => 'Stamps need a spacing above 0.',
  'stamp.count': (most: number, least: number) =>
    `There are ${most} stamps at most: the spacing is ${shown(least, 4)} or more here.`,
  'groups.unknown': () => 'A shape or group lies in a group that is not there.',
  'groups.loop': () => 'A group lies in itself.',
  'groups.deep': (most: number) => `Groups lie in at most ${most} groups.`,
  'nest.shape': () => 'A whirl needs one closed shape.',
  'nest.middle': () => 'The middle of this shape lies outside it: nothing can shrink towards it.',
  'nest.empty': () => 'This shape encloses nothing.',
  'nest.angle': (degrees: number) =>
    `Turned by ${shown(degrees)}° the shape falls on itself: take another angle.`,
  'drawing.empty': () => 'There is nothing in this figure to place.',
  'drawing.parts': (parts: number, most: number) =>
    `This figure draws ${parts} shapes; one that is placed has ${most} at most.`,
  'drawing.places': () => 'A drawing needs a place.',
  'drawing.nodes': (places: number, most: number) =>
    `At ${places} places this drawing would have more than ${most} nodes: take fewer places.`,
  'band.line': () => 'A band needs a line.',
  'band.width': () => 'A band needs a width above 0.',
  'band.widths': () => 'Widths along need two numbers at least: at the start and at the end.',
  'band.widest': () => 'One of the widths is above 0.',
  'band.nodes': (most: number) => `A band has ${most} nodes at most.`,
  'band.dashes': () => 'One of the dashes is above 0.',
  'hand.line': () => 'A stroke by hand has one line of two points or more.',
  'hand.pressures': () => 'A stroke by hand has a pressure for each of its points.',
  'hand.points': (most: number) => `A stroke by hand has ${most} points at most.`,
  'hand.width': () => 'A brush is wider than 0.',
  'hand.taper': () => 'A taper is 0 or longer.',
  'hand.smoothing': () => 'Smoothing is above 0.',
  'stamp.nodes': (most: number) =>
    `All stamps together have ${most} nodes at most: take fewer of them, or a simpler shape.`,
  'nest.nodes': (most: number) =>
    `All of the whirl together has ${most} nodes at most: take fewer of them, or a simpler shape.`,
  'band.manyDashes': (most: number) => `There are ${most} dashes at most: make them longer.`,
  'band.short': () => 'This line is too short for a band.',
  'offset.shape': () => 'An offset needs a closed shape.',
  'offset.nodes': (most: number) => `An offset is taken of ${most} nodes at most.`,
  'offset.nothing': () => 'Nothing of the shape is left that far inward.',

  // Transforming and fitting.
  'transform.scale': () => 'A scale of 0 leaves nothing.',
  'transform.shear': () => 'Shear is between −90° and 90°.',
  'fit.nothing': () => 'There is nothing to fit.',
  'fit.fold': () => 'Even three copies overlap.',
  'fit.neighbours': () => 'Copies have neighbours beside them from 3-fold on.',
  'fit.width': () => 'These shapes have no width of their own; fit their size.',
  'fit.none': (by: string, gap: number) =>
    `No ${by} keeps a gap of ${shown(gap)} here: the shape reaches round the centre.`,

  // Rounds, frames and turns.
  'fold.range': (most: number) => `A fold is a whole number from 1 to ${most}.`,
  'turn.fine': () => 'This angle is too fine to be kept: take a fraction with a smaller denominator.',
  'sweep.nothing': () => 'A sweep of nothing puts all copies in one place.',
  'sweep.turns': (most: number) => `A sweep goes round at most ${most} times.`,
  'frame.corners': (most: number) => `With all diagonals a polygon has at most ${most} corners.`,
  'frame.nothing': () => 'There is nothing set out yet.',
  'frame.crossings': () =>
    'These lines and their copies cross too often for shapes: take fewer diagonals, rings or guides.',
  'link.itself': () => 'A round cannot be linked to itself.',
  'weave.gap': () => 'A weave needs a gap above 0, or its bands would be one.',
  'round.gone': () => 'This round is no longer in the figure.',
  'figure.refused': (problem: string) => `${problem}. Nothing was changed.`,
  'figure.dashes': (shape: string, most: number) =>
    `The line of “${shape}” would have more than ${most} dashes: make them longer.`,
  'figure.copies': (round: string, times: number, nodes: number, most: number) =>
    `${times} copies of the ${nodes} nodes of “${round}” are more than ${most / 1e6} million: take fewer copies, or fewer nodes.`,
  'figure.nodes': (nodes: number, most: number) =>
    `All rounds together would draw ${(nodes / 1e6).toFixed(1)} million nodes; ${most / 1e6} million is the most: take fewer copies, or fewer nodes.`,

  // Figures as files.
  'figure.foreign': (format: string) => `This is not a Cyclogon figure: its "format" is not "${format}".`,
  'figure.newer': (version: number, known: number) =>
    `This figure was made by a newer Cyclogon (version ${version} of the format; this one reads up to ${known}).`,
  'figure.motif': (id: string) =>
    `The motif “${id}” of this file would be lost: no round names it, or another motif is called so too.`,
  'figure.broken': (what: string) => `The figure is broken: ${what}.`,
  'figure.json': (reason: string) => `The file is not JSON: ${reason}.`,
  'figure.large': (megabytes: number) => `The file is larger than ${megabytes} MB, too large for a figure.`,
  'figure.withPictures': (megabytes: number) =>
    `The file is larger than ${megabytes} MB, too large for a figure and its pictures.`,

  // Drawings from elsewhere.
  'dxf.unreadable': (sentence: string) => sentence,
  'svg.unreadable': (sentence: string) => sentence,
  'slider.bounds': () => 'A slider goes from less to more.',
  'formula.unreadable': (text: string, reason: string) => `“${text}” is no expression: ${reason}.`,
  'formula.name': (name: string) => `No slider and no number of the figure is called “${name}”.`,
  'formula.circle': (names: string) => `These go by one another in a circle: ${names}.`,
  'formula.held': (name: string, text: string) =>
    `“${name}” goes by “${text}”: change that in Page, Sliders, or let it be there.`,
  'formula.refused': (name: string, text: string, value: number) =>
    `“${name}” cannot be ${Number.isFinite(value) ? Number(value.toPrecision(6)) : 'no number'}, as “${text}” says.`,
  'lever.none': (name: string, names: string) =>
    `No number of the figure is called “${name}”. There are ${names}.`,
  'lever.several': (name: string, names: string) => `“${name}” may be ${names}: say which.`,
  'lever.value': (name: string, text: string, reason: string) => `“${name}” cannot be “${text}”: ${reason}`,
  'lever.refused': (name: string, text: string) => `The figure cannot be drawn with “${name}” as “${text}”.`,
  'artwork.nothing': () => 'There is nothing in this file that Cyclogon can draw.',
  'artwork.nodes': (count: number, most: number) =>
    `One shape of this file has ${count} nodes; a shape has at most ${most}.`,
  'artwork.contours': (count: number, most: number) =>
    `One shape of this file has ${count} outlines; a shape has at most ${most}.`,
  'artwork.rounds': (count: number, most: number) =>
    `This file would become ${count} rounds; a figure has at most ${most}.`,
  'artwork.size': (most: number, unit: string) =>
    `This file is larger than ${most} ${unit}, the largest page there is.`,
  'artwork.shapes': (count: number, most: number) =>
    `The drawing has ${count} shapes; a motif has ${most} at most. Nothing was added.`,

  // Paint.
  'gradient.stops': () => 'A gradient needs two stops at least.',
  'gradient.range': () => 'A stop lies between 0 and 100 %.',
  'gradient.order': () => 'The stops are out of order: each lies at or after the one before it.',
  'colours.none': () => 'Choose one colour at least.',

  // Merging.
  'merge.crossings': () => 'These shapes cross in too many places to be merged; they were left as they are.',
  'merge.failed': () => 'These shapes could not be merged; the copies were left as they are.',
  'weave.lines': (most: number) => `A weave has ${most} lines at most, all copies counted.`,
  'work.failed': () => 'The outlines could not be worked out. Nothing was changed.',
} as const satisfies Record<string, (...values: never[]) => string>;
