import createClient from "openapi-fetch";
import { sendOnce } from "./outbox";
import type { components, paths } from "./schema";

type ProblemDocument = components["schemas"]["Problem"];

/** An answer of the server that says what is wrong and how to put it right. */
export class Problem extends Error {
  readonly code: string;

  constructor(document: Partial<ProblemDocument>) {
    super(document.detail ?? "The server did not answer. What you typed is still here: try again.");
    this.code = document.code ?? "no_answer";
  }
}

export const api = createClient<paths>({ baseUrl: "/", fetch: sendOnce });

/** Unwraps an openapi-fetch result. Throws a Problem. */
export async function told<T>(call: Promise<{ data?: T; error?: unknown }>): Promise<T> {
  const { data, error } = await call.catch(() => ({ data: undefined, error: {} }));
  if (data === undefined) throw new Problem((error ?? {}) as Partial<ProblemDocument>);
  return data;
}

/** Whether nothing came back, so that nobody knows whether it arrived. */
export const unanswered = (error: unknown) => error instanceof Problem && error.code === "no_answer";

/** Whether asking again may help. */
export const worthAnotherTry = (failures: number, error: Error) => failures < 3 && unanswered(error);
