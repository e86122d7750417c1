/** Whether the window has room for the whole dial by the stage; theme.css says from which size on. */
export const hasRoomForDial = (): boolean => getComputedStyle(document.documentElement).getPropertyValue('--room-for-dial').trim() !== 'no';
