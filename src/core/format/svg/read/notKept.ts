/** Elements that draw, or change what is drawn, in ways that are not kept, by what they are called. */
export const NOT_KEPT: Readonly<Record<string, string>> = {
  image: 'picture',
  foreignObject: 'foreign content',
  script: 'script',
  animate: 'animation',
  animateMotion: 'animation',
  animateTransform: 'animation',
  set: 'animation',
  video: 'film',
  audio: 'sound',
  mesh: 'mesh gradient',
};
