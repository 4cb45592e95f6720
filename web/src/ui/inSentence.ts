/** A sentence as it goes on after other words: without its capital. */
export const inSentence = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
