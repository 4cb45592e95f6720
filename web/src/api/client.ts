import createFetch from "openapi-fetch";
import createQueries from "openapi-react-query";
import type { Failure } from "../engine/types";
import type { paths } from "./schema.gen";

export const client = createFetch<paths>({ baseUrl: "/" });
export const queries = createQueries(client);

/** An answer of the server that is not the thing asked for. */
export class Refused extends Error {
  constructor(readonly failure: Failure) {
    super(failure.problems?.[0]?.what ?? failure.detail ?? "The server refused.");
  }
}

/** The data of a call, or an error: Refused when the server said no, anything else when it could not be reached. */
export async function settled<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call;
  if (response.ok) return data as T;
  const failure = (error && typeof error === "object" ? error : {}) as Failure;
  throw new Refused({ ...failure, status: response.status });
}

/** What can pass by itself, so that trying again makes sense: a gateway without its server, or a server that is busy or starting. */
const passing = [502, 503, 504];

/** Whether trying again later can help: the server is gone or cannot reach its database. */
export function isOutage(error: unknown): boolean {
  return !(error instanceof Refused) || passing.includes(error.failure.status ?? 0);
}
