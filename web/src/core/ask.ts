import type { Problem } from './types.gen';
import { ANSWER, within } from './within';

const SILENT = 'The server does not answer. Start it again, then try once more.';
const CUT_OFF = 'The answer of the server was cut off. Try once more.';
const STUCK = 'The server has not answered for two minutes. Try once more; if it stays so, start it again.';

/** Asks the server. Whatever keeps it from answering well is an error with a text for people. */
export async function answer(path: string, init?: RequestInit): Promise<Response> {
  const response = await within(
    ANSWER,
    STUCK,
    fetch(path, init).catch(() => {
      throw new Error(SILENT);
    }),
  );
  if (response.ok) return response;
  const text = await response.text().catch(() => '');
  throw new Error(said(text) ?? `The server answered with an error (${response.status}). Try once more.`);
}

function said(text: string): string | undefined {
  try {
    return (JSON.parse(text) as Partial<Problem>).error;
  } catch {
    return undefined;
  }
}

/** The body of an answer as bytes. */
export async function bytesOf(response: Response): Promise<Uint8Array<ArrayBuffer>> {
  const body = await within(ANSWER, STUCK, response.arrayBuffer()).catch((failure: unknown) => {
    throw failure instanceof TypeError ? new Error(CUT_OFF) : failure;
  });
  return new Uint8Array(body);
}

/** The body of an answer as a value. */
export async function valueOf<T>(response: Response): Promise<T> {
  try {
    return (await within(ANSWER, STUCK, response.json())) as T;
  } catch {
    throw new Error(CUT_OFF);
  }
}
