/**
 * Nothing that is seen, as large as the SVG it stands in. What is painted together with it has bounds that stay, wherever a part of it goes:
 * where they change a browser looks anew at which layers the whole page is made of, with every move of a drag.
 */
export const SteadyBounds = () => <rect width="100%" height="100%" fill="none" pointerEvents="none" />;
