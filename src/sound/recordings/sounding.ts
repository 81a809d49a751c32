/** How many sounds are listened to again now: a microphone hears them too, and none of it was struck. */
let sounding = 0;

export const beginSounding = (): void => void sounding++;
export const endSounding = (): void => void sounding--;
export const isListenedBack = (): boolean => sounding > 0;
