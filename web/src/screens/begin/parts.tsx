import styled from "styled-components";
import type { Problem, SetupDocument, StoredLifter, StoredRoom } from "../../engine/types";

/** What every way to begin gets: for whom, in which room, and what to do with the setup. */
export type Props = {
  lifter: StoredLifter;
  room: StoredRoom | null;
  close: () => void;
  /** Takes a document; from is the saved setup of this lifter that it is. */
  pick: (d: SetupDocument, from?: { id: string; version: number }) => Promise<void>;
};

export const List = styled.div`
  max-height: min(60vh, 560px);
  overflow-y: auto;
  margin: 8px 0;
  h3 { font-size: 12px; font-weight: 600; color: var(--quiet); padding: 12px 0 2px; position: sticky; top: 0; background: var(--sheet); }
  ul { list-style: none; padding: 0; margin: 0; }
  li { border-top: 1px solid var(--line); padding: 8px 0; display: grid; grid-template-columns: 1fr auto; gap: 8px; align-items: center; }
  small { display: block; color: var(--quiet); }
`;

/** A line of a list with a picture before it. */
export const Pictured = styled.li`
  && { grid-template-columns: auto minmax(0, 1fr) auto; }
  @media (max-width: 500px) { && { grid-template-columns: minmax(0, 1fr) auto; } .picture { display: none; } }
`;

export const Questions = styled.div`
  display: grid;
  gap: 12px;
  justify-items: start;
  > * { min-width: 240px; }
  > button { min-width: 0; }
  label { display: grid; gap: 4px; color: var(--quiet); font-size: 12px; }
  p[role="alert"] { color: var(--brick); }
  .asked { display: grid; grid-template-columns: repeat(auto-fit, minmax(200px, 1fr)); gap: 12px; width: 100%; }
  .begun { display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: start; }
  .begun ul { padding-left: 16px; margin: 4px 0; }
`;

/** Whether a text holds every word that is looked for. */
export function holds(text: string, wanted: string): boolean {
  const all = text.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}

/** What is wrong, each with its place. */
export function Told({ problems }: { problems: Problem[] }) {
  return problems.map((p) => (
    <p key={p.path + p.what} role="alert">
      {p.path && <b className="mono">{p.path} </b>}
      {p.what} {p.why} {p.hint}
    </p>
  ));
}
