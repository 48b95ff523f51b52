/** Canvas and tar by day; ember by night. One name a colour, a value for each theme. */
export const COLOURS = {
  cloth: ['#F4EEE1', '#150E0B'],
  cloth2: ['#EAE1CF', '#1F1511'],
  hairline: ['#CFC3AC', '#3A271E'],
  ink: ['#16241E', '#F0C3A2'],
  ink2: ['#4A544E', '#B58A6E'],
  tar: ['#5A4330', '#C08A66'],
  act: ['#D9861A', '#FF9448'],
  onAct: ['#16241E', '#150E0B'],
  danger: ['#98301A', '#FF5A3C'],
  water: ['#2C6072', '#C9907A'],
  moss: ['#566539', '#B99B66'],
  roof: ['#C9B88F', '#5A3A2A'],
  roof2: ['#B5A274', '#46291D'],
  soil: ['#DCD0B8', '#241812'],
} as const;
