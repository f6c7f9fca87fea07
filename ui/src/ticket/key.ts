/** A name for one press of a key or button: the server counts the same one once, however often it arrives. */
export const freshKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) => byte.toString(16).padStart(2, "0")).join("");
