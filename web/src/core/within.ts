/** Milliseconds until what the server should have answered is given up. */
export const ANSWER = 120_000;

/** Waits for something, but not for ever: after some milliseconds it fails with a text for people. */
export function within<T>(millis: number, text: string, work: Promise<T>): Promise<T> {
  return new Promise((done, fail) => {
    const timer = setTimeout(() => fail(new Error(text)), millis);
    work.then(done, fail).finally(() => clearTimeout(timer));
  });
}

/** Waits some milliseconds. */
export const wait = (millis: number): Promise<void> => new Promise((done) => setTimeout(done, millis));
