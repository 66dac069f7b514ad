/** Where the browser keeps the chosen theme. */
export const THEME_KEY = 'cyclogon.theme';

/** Runs before the first paint, so that a chosen theme does not flash. */
export const THEME_SCRIPT = `try{var t=localStorage.getItem('${THEME_KEY}');if(t==='sand'||t==='night')document.documentElement.dataset.theme=t}catch(e){}`;
