/** What the address of a figure carries where its maker is to be led through the first steps. */
export const GUIDE_MARK = 'first';
