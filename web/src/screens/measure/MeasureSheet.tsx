import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { aside } from "../../engine/aside";
import type { Core } from "../../engine/core";
import type { SetupDocument, StoredLifter, StoredRoom, StoredSetup, Worth } from "../../engine/types";
import { useRooms } from "../../state/rooms";
import { actionLabel } from "../lifters/StrengthPart";
import { dayWords } from "../plan/planEdits";
import { Disagreements } from "./Disagreements";

const Sheet = styled.div`
  padding: 20px 24px 40px;
  max-width: 900px;
  display: grid;
  gap: 18px;
  h1 { font-size: 20px; line-height: 26px; }
  h2 { font-size: 15px; padding-bottom: 2px; }
  .back { display: none; }
  .quiet { color: var(--quiet); }
  ol, ul { list-style: none; padding: 0; }
  @media (max-width: 700px) { padding: 14px; .back { display: inline-flex; align-items: center; min-height: var(--target); } }
`;

const Row = styled.li`
  display: grid;
  grid-template-columns: 56px minmax(0, 1fr) auto;
  gap: 14px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--line);
  b { display: block; }
  small { color: var(--quiet); font-size: 12px; }
  .share { display: grid; gap: 4px; font-weight: 600; }
  .share i { display: block; height: 4px; border-radius: 2px; background: var(--line); overflow: hidden; }
  .share i::after { content: ""; display: block; height: 100%; width: calc(100% * var(--share)); background: var(--slate); }
  a.act {
    display: inline-flex;
    align-items: center;
    min-width: var(--target);
    min-height: var(--target);
    font-weight: 600;
    color: var(--slate);
    white-space: nowrap;
  }
`;

const Ways = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 10px;
  a {
    display: block;
    height: 100%;
    padding: 12px;
    border: 1px solid var(--line);
    border-radius: 8px;
    background: var(--sheet);
    text-decoration: none;
  }
  a:hover { border-color: var(--slate); }
  small { display: block; color: var(--quiet); }
`;

type Props = { core: Core; lifter: StoredLifter; setups: StoredSetup[] };

/** What is worth measuring for a lifter, and every way to measure. */
export function MeasureSheet({ core, lifter, setups }: Props) {
  const rooms = useRooms().data?.items ?? [];
  const documents = useMemo(
    () => setups.filter((s) => !s.unreadable).map((s): SetupDocument => ({ ...s.document, lifter: lifter.body })),
    [setups, lifter],
  );
  const worth = useQuery({
    queryKey: ["worth", documents],
    queryFn: ({ signal }) => aside(signal, "worth", documents),
    enabled: documents.length > 0,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const list = worth.data ?? [];
  const first = lifter.name.split(" ")[0] ?? lifter.name;
  return (
    <Sheet>
      <Link className="back" to="/measure">
        Measure
      </Link>
      <header>
        <h1>What to measure for {lifter.name}</h1>
        <p className="quiet">
          {documents.length === 0
            ? `${first} has no setups yet, so nothing rests on any number. You can still measure.`
            : `How much of the uncertainty in effort, over ${documents.length === 1 ? "the one setup" : `${documents.length} setups`}, each thing accounts for.`}
        </p>
      </header>
      {worth.isFetching && <p role="status">Working out what is worth measuring first …</p>}
      {worth.error && <p role="alert">What is worth measuring first could not be told: {worth.error.message}</p>}
      {list.length > 0 && (
        <ol aria-label="Worth measuring, the most first">
          {list.map((w) => (
            <WorthRow key={w.what + w.key + (w.gym ?? "")} worth={w} lifter={lifter} setups={setups} rooms={rooms} />
          ))}
        </ol>
      )}
      <Disagreements core={core} lifter={lifter} />
      <section>
        <h2>Or choose</h2>
        <Ways>
          <Way to={`/measure/${lifter.id}/strength`} title="Strength over the range">
            Hold still against a load cell or a scale at several angles
          </Way>
          <Way to={`/measure/${lifter.id}/photo`} title="From a photograph">
            Lengths of the body, joint angles, a machine's cam
          </Way>
          <Way to={`/measure/${lifter.id}/activity`} title="Muscle activity">
            Electrodes over the range, beside what the model expects
          </Way>
          <Way to="/measure/studies" title="A study">
            One muscle over several setups, in several lifters
          </Way>
          {rooms.map((r) => (
            <Way key={r.id} to={`/kit/${r.id}`} title={`Equipment: ${r.name}`}>
              What bands pull, what cables really weigh
            </Way>
          ))}
        </Ways>
      </section>
    </Sheet>
  );
}

function Way({ to, title, children }: { to: string; title: string; children: string }) {
  return (
    <li>
      <Link to={to}>
        <b>{title}</b>
        <small>{children}</small>
      </Link>
    </li>
  );
}

type WorthProps = { worth: Worth; lifter: StoredLifter; setups: StoredSetup[]; rooms: StoredRoom[] };

function WorthRow({ worth, lifter, setups, rooms }: WorthProps) {
  const { title, how, act } = told(worth, lifter, rooms);
  const names = worth.setups.map((i) => setups[i]?.name ?? "");
  const percent = Math.round(100 * worth.share);
  return (
    <Row>
      <span className="share mono">
        {percent < 1 ? "<1" : percent}%
        <i style={{ "--share": worth.share } as React.CSSProperties} />
      </span>
      <span>
        <b>{title}</b>
        <small>
          Leaves the effort of {names.length === 1 ? names[0] : `${names.length} setups`} uncertain by{" "}
          {worth.percent < 1 ? "under 1" : Math.round(worth.percent)}%.{" "}
          {worth.day ? `Measured on ${dayWords(worth.day)}. ` : ""}
          {how}
        </small>
      </span>
      {act && (
        <Link className="act" to={act.to}>
          {act.label}
        </Link>
      )}
    </Row>
  );
}

/** A thing in words, how it is known better, and where that is done. */
function told(w: Worth, lifter: StoredLifter, rooms: StoredRoom[]) {
  const room = rooms.find((r) => r.id === w.gym);
  switch (w.what) {
    case "strength":
      return {
        title: `Strength: ${actionLabel(w.key).toLowerCase()}`,
        how: w.day ? "" : "It is an estimate until it is tested.",
        act: { to: `/measure/${lifter.id}/strength/${w.key}`, label: w.day ? "Test again" : "Test it" },
      };
    case "cable":
    case "band": {
      const things = (w.what === "band" ? room?.document.bands : room?.document.stations) ?? [];
      const item = things.find((x) => x.key === w.key);
      const what = w.what === "band" ? "Band" : "Cable station";
      return {
        title: item ? `${what}: ${item.name}` : what,
        how: item ? "" : "Choose a gym in the setup to measure it.",
        act: item && room && { to: `/kit/${room.id}?measure=${encodeURIComponent(w.key)}`, label: "Measure it" },
      };
    }
    case "body":
      return {
        title: "Lengths of the body",
        how: "A tape, or points on a photograph.",
        act: { to: `/measure/${lifter.id}/photo`, label: "Measure them" },
      };
    case "place":
      return { title: "Where the lifter stands", how: "Mark the floor: a few centimetres count.", act: undefined };
    case "angles":
      return { title: "Angles of bench and joints", how: "Check them once with an inclinometer.", act: undefined };
  }
  return { title: "Where the pulley is", how: "Measure its height and distance with a tape.", act: undefined };
}
