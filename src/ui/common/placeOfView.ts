import type { View } from '@/state';

/** What puts the figure where a view has it in a pane. */
export const placeOfView = ({ x, y, scale }: View): string => `translate(${x} ${y}) scale(${scale})`;
