import { client, settled } from "../api/client";
import type { components } from "../api/schema.gen";

export type Capture = components["schemas"]["ActivityCapture"];
export type StoredCapture = components["schemas"]["StoredCapture"];

/** A file of samples, as it was recorded. */
export type SampleFile = { slot: string; name: string; bytes: Uint8Array };

/** Keeps a measurement and then its samples, compressed. It says how far it is, 0 to 1. */
export async function keepCapture(
  id: string,
  document: Capture,
  files: SampleFile[],
  progress: (share: number) => void,
) {
  await settled(client.PUT("/api/captures/{id}", { params: { path: { id } }, body: document }));
  for (const [i, f] of files.entries()) {
    progress(i / files.length);
    const answer = await fetch(`${pathOf(id, f.slot)}?name=${encodeURIComponent(f.name)}`, {
      method: "PUT",
      headers: { "Content-Type": "application/octet-stream" },
      body: await through(f.bytes, new CompressionStream("gzip")),
    });
    if (!answer.ok && answer.status !== 409) throw new Error(await reason(answer));
  }
}

/** The samples of a kept measurement. */
export async function readSamples(id: string, slot: string): Promise<Uint8Array> {
  const answer = await fetch(pathOf(id, slot));
  if (!answer.ok) throw new Error(await reason(answer));
  const raw = await through(new Uint8Array(await answer.arrayBuffer()), new DecompressionStream("gzip"));
  return new Uint8Array(await raw.arrayBuffer());
}

const pathOf = (id: string, slot: string) => `/api/captures/${id}/files/${encodeURIComponent(slot)}`;

const through = (bytes: Uint8Array, stream: CompressionStream | DecompressionStream): Promise<Blob> =>
  new Response(new Blob([bytes as Uint8Array<ArrayBuffer>]).stream().pipeThrough(stream)).blob();

const reason = async (answer: Response): Promise<string> => {
  try {
    const told = await answer.json();
    return told.problems?.[0]?.what ?? told.detail ?? "The server refused.";
  } catch {
    return "The server does not answer.";
  }
};
