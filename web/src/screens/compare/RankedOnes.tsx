import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import { core } from "../../engine/core";
import { rank } from "../../engine/search";
import type { Answer, Ranked, SetupDocument } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { setPreferences, usePreferences } from "../../state/preferences";
import { useRooms } from "../../state/rooms";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Choice, Segments } from "../../ui/Choice";
import { Mark } from "../../ui/Mark";
import { notify } from "../../ui/Notices";
import { List, Pictured, Told } from "../begin/parts";
import { useLifters } from "../begin/useSaved";
import { names } from "../bench/Verdicts";
import { AddOne, type Finding } from "./AddSetups";

const Asked = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px;
  align-items: end;
`;

const Row = styled(Pictured)`
  && { grid-template-columns: auto minmax(0, 1fr) auto auto; }
  .name { font-weight: 600; }
  .told { display: flex; gap: 6px; font-size: 12px; color: var(--brick); }
  .thirds { display: flex; width: 180px; height: 8px; background: color-mix(in srgb, var(--line) 60%, transparent); border-radius: 2px; overflow: hidden; margin: 3px 0; }
  .thirds i { display: block; height: 100%; border-right: 1px solid var(--sheet); }
  @media (max-width: 500px) { && { grid-template-columns: minmax(0, 1fr) auto; } }
`;

const hows = [
  { key: "long", label: "While long" },
  { key: "short", label: "While short" },
  { key: "even", label: "Evenly" },
];

const thirds = ["long", "at middle length", "short"];
const shades = [
  "var(--plum)",
  "color-mix(in srgb, var(--plum) 65%, var(--sheet))",
  "color-mix(in srgb, var(--plum) 35%, var(--sheet))",
];

/** Which ready setups load a region long, short or evenly, for a lifter, with what a room has; the best first. */
export function RankedOnes(finding: Finding) {
  const lifters = useLifters().data?.items ?? [];
  const rooms = useRooms().data?.items ?? [];
  const preferred = usePreferences().room;
  const room = (preferred === null ? rooms[0] : rooms.find((r) => r.id === preferred)) ?? null;
  const [who, setWho] = useState("");
  const lifter = lifters.find((l) => l.id === who) ?? lifters[0] ?? null;
  const [region, setRegion] = useState("deltoid.middle");
  const [how, setHow] = useState("long");
  const regions = useQuery({ queryKey: ["regions"], queryFn: async () => (await core()).regions().ok ?? [] });
  const regionName = (key: string) => regions.data?.find((x) => x.key === key)?.label.toLowerCase() ?? key;
  const [share, setShare] = useState<number | null>(null);
  const [answer, setAnswer] = useState<Answer<Ranked[]> | null>(null);
  const body = lifter && JSON.stringify(lifter.body);
  useEffect(() => {
    if (!body) return;
    setShare(0);
    return rank({ lifter: JSON.parse(body), room }, region, how, setShare, (a) => {
      setAnswer(a);
      setShare(null);
    });
  }, [body, room, region, how]);
  return (
    <>
      <Asked>
        <Choice label="Region" options={regions.data ?? []} value={region} onChange={setRegion} />
        <Choice
          label="Lifter"
          options={lifters.map((l) => ({ key: l.id, label: l.name }))}
          value={lifter?.id ?? ""}
          onChange={setWho}
        />
        <Choice
          label="Room"
          options={[{ key: "", label: "Any place" }, ...rooms.map((r) => ({ key: r.id, label: r.name }))]}
          value={room?.id ?? ""}
          onChange={(id) => setPreferences({ room: id })}
        />
      </Asked>
      <Segments label="Loaded" options={hows} value={how} onChange={setHow} />
      {lifters.length === 0 && <p>Add a lifter first: the ranking is for one body.</p>}
      {share !== null && (
        <p role="status">
          Looking through the ready setups … <span className="mono">{Math.round(100 * share)}%</span>
        </p>
      )}
      <List data-testid="ranked" style={{ opacity: share === null ? 1 : 0.5 }}>
        {answer?.problems && <Told problems={answer.problems} />}
        {answer?.ok?.length === 0 && <p>No ready setup works this region by the model.</p>}
        <ul>
          {answer?.ok?.map((r, i) => (
            <RankedRow
              key={r.ready.key}
              ranked={r}
              place={i + 1}
              lifterId={lifter?.id ?? ""}
              finding={finding}
              regionName={regionName}
            />
          ))}
        </ul>
      </List>
    </>
  );
}

type RowProps = {
  ranked: Ranked;
  place: number;
  lifterId: string;
  finding: Finding;
  regionName: (key: string) => string;
};

function RankedRow({ ranked: r, place, lifterId, finding, regionName }: RowProps) {
  const units = useUnits();
  const begin = useBegin(lifterId);
  const percent = (v: number) => units.text(100 * v, "percent");
  const [longest, shortest] = [r.longest.value, r.shortest.value];
  return (
    <Row data-ranked={r.ready.key}>
      <span className="picture">
        <SetupPicture document={r.ready.document} width={96} height={66} line />
      </span>
      <span>
        <span className="name">
          {place}. {r.ready.name}
        </span>
        <span className="thirds" aria-hidden>
          {r.thirds.map((v, k) => (
            <i key={thirds[k]} style={{ width: percent(v), background: shades[k] }} />
          ))}
        </span>
        <small>
          {!r.aimed && `Meant for ${regionName(r.ready.region)}. `}Gives {percent(r.share)} of the torque:{" "}
          {r.thirds.map((v, k) => `${percent(v)} ${thirds[k]}`).join(", ")};{" "}
          {longest != null &&
            shortest != null &&
            `from ${percent(longest)} to ${percent(shortest)} of its best length, `}
          {percent(r.even)} even
        </small>
        {r.tones.length > 0 && (
          <span className="told">
            <Mark tone="stop" /> {r.tones.map((t) => names[t] ?? t).join(", ")}
          </span>
        )}
        {r.ready.missing.map((m) => (
          <span className="told" key={m.path + m.text}>
            <Mark tone="stop" /> {units.sentence(m.text, m.values)}
          </span>
        ))}
      </span>
      <Button look="quiet" aria-label={`Begin: ${r.ready.name}`} onPress={() => void begin(r.ready.document)}>
        Begin
      </Button>
      <AddOne {...finding} member={{ document: r.ready.document }} />
    </Row>
  );
}

/** Begins a setup for a lifter and opens it on the bench. */
function useBegin(lifterId: string) {
  const cache = useQueryClient();
  const navigate = useNavigate();
  return async (document: SetupDocument) => {
    try {
      const row = await settled(client.POST("/api/setups", { body: { id: crypto.randomUUID(), lifterId, document } }));
      await cache.invalidateQueries({ queryKey: ["setups"] });
      navigate(`/bench/${row.id}`);
    } catch {
      notify("The server does not answer; nothing was begun.");
    }
  };
}
