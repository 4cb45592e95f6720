import createFetch from "openapi-fetch";
import createQueries from "openapi-react-query";
import type { Failure } from "../engine/types";
import type { paths } from "./schema.gen";

/** An answer of the server that is not the thing asked for. */
export class Refused extends Error {
  constructor(readonly failure: Failure) {
    super(failure.problems?.[0]?.what ?? failure.detail ?? "The server refused.");
  }
}

export const client = createFetch<paths>({ baseUrl: "/" });

// What the server refuses is thrown, so that it reaches whoever asked in the same way as a server that could not be reached.
client.use({
  async onResponse({ response }) {
    if (response.ok) return;
    const failure = (await response.json().catch(() => ({}))) as Failure; // a gateway's page is none
    throw new Refused({ ...failure, status: response.status });
  },
});

/** A question to the server for useQuery. It is known by its address and what is asked there, so that changed finds it. */
export const { queryOptions: asked } = createQueries(client);

/** The data of a call, or an error: Refused when the server said no, anything else when it could not be reached. */
export async function settled<T>(call: Promise<{ data?: T }>): Promise<T> {
  return (await call).data as T;
}

/** What can pass by itself, so that trying again makes sense: a gateway without its server, or a server that is busy or starting. */
const passing = [502, 503, 504];

/** Whether trying again later can help: the server is gone or cannot reach its database. */
export function isOutage(error: unknown): boolean {
  return !(error instanceof Refused) || passing.includes(error.failure.status ?? 0);
}
