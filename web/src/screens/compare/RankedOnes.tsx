import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { changed } from "../../api/changed";
import { client, settled } from "../../api/client";
import { core } from "../../engine/core";
import { partners, rank, rankFor, type Who } from "../../engine/search";
import type { Answer, Lifter, Member, Partner, Problem, Ranked, Ready, SetupDocument } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { setPreferences, usePreferences } from "../../state/preferences";
import { useRooms } from "../../state/rooms";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { notify } from "../../ui/Notices";
import { Segments, Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { List, Pictured, Told } from "../begin/parts";
import { useLifters } from "../begin/useSaved";
import { names } from "../workbench/Verdicts";
import { AddOne, type Finding } from "./AddOne";

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
  .thirds {
    display: flex;
    width: 180px;
    height: 8px;
    background: color-mix(in srgb, var(--line) 60%, transparent);
    border-radius: 2px;
    overflow: hidden;
    margin: 3px 0;
  }
  summary { cursor: pointer; font-size: 12px; color: var(--slate); min-height: var(--target); }
  .thirds i { display: block; height: 100%; border-right: 1px solid var(--sheet); }
  @media (max-width: 500px) { && { grid-template-columns: minmax(0, 1fr) auto; } }
`;

const hows = [
  { key: "long", label: "Lengthened" },
  { key: "short", label: "Shortened" },
  { key: "even", label: "Evenly" },
];

const thirds = ["lengthened", "at mid length", "shortened"];
const shades = [
  "var(--plum)",
  "color-mix(in srgb, var(--plum) 65%, var(--sheet))",
  "color-mix(in srgb, var(--plum) 35%, var(--sheet))",
];

/** Which ready setups load a region long, short or evenly, for a lifter, with what a room has; the best first. */
export function RankedOnes(finding: Finding) {
  const { who, lifterId, fields, all } = useWho(finding.body, true);
  const [region, setRegion] = useState("deltoid.middle");
  const [how, setHow] = useState("long");
  const regions = useQuery({ queryKey: ["regions"], queryFn: async () => (await core()).regions().ok ?? [] });
  const regionName = (key: string) => regions.data?.find((x) => x.key === key)?.label.toLowerCase() ?? key;
  const { share, answer } = useLook<Ranked[]>(
    all
      ? (progress, done) => rankFor(all, who?.room ?? null, region, how, progress, done)
      : who && ((progress, done) => rank(who, region, how, progress, done)),
    JSON.stringify([who, all, region, how]),
  );
  return (
    <>
      <Asked>
        <Select label="Muscle" options={regions.data ?? []} value={region} onChange={setRegion} />
        {fields}
      </Asked>
      <Segments label="Loads it" options={hows} value={how} onChange={setHow} />
      <Found share={share} problems={answer?.problems} empty={answer?.ok?.length === 0 && nothing.ranked}>
        {answer?.ok?.map((r, i) => (
          <RankedRow
            key={r.ready.key}
            ranked={r}
            place={i + 1}
            lifterId={lifterId}
            finding={finding}
            regionName={regionName}
          />
        ))}
      </Found>
    </>
  );
}

const nothing = {
  ranked: "By the model, no exercise works this muscle.",
  partners: "No exercise adds clearly more than the better of the two alone.",
};

/** Which ready setups do what one that is compared leaves out. */
export function PartnersOf({ member, called, ...finding }: Finding & { member: Member; called: string }) {
  const { who, lifterId, fields } = useWho(finding.body);
  const text = JSON.stringify(member.document);
  const { share, answer } = useLook<Partner[]>(
    who && ((progress, done) => partners(text, who, progress, done)),
    JSON.stringify([who, text]),
  );
  const units = useUnits();
  const percent = (v: number) => units.text(100 * v, "percent");
  const letters = (why: string) => why.replace(/\b[AB]\b/g, (l) => (l === "A" ? called : "this one"));
  return (
    <>
      <Asked>{fields}</Asked>
      <p>
        Exercises that work the target of {called} ({member.document.name}) where it does not: at other lengths, or in
        other parts of the muscle.
      </p>
      <Found share={share} problems={answer?.problems} empty={answer?.ok?.length === 0 && nothing.partners}>
        {answer?.ok?.map((p, i) => (
          <FoundRow key={p.ready.key} ready={p.ready} place={i + 1} lifterId={lifterId} finding={finding}>
            <small>
              Together {percent(p.coverage)}, the better one alone {percent(p.alone)}. {letters(p.why)}
            </small>
          </FoundRow>
        ))}
      </Found>
    </>
  );
}

const everyone = "everyone";
const mostRanked = 12; // lifters at once

/** For whom and in which room setups are looked for, with the fields that choose them. */
function useWho(body?: Lifter, several = false) {
  const lifters = useLifters().data?.items ?? [];
  const rooms = useRooms().data?.items ?? [];
  const preferred = usePreferences().room;
  const room = (preferred === null ? rooms[0] : rooms.find((r) => r.id === preferred)) ?? null;
  const [chosen, choose] = useState("");
  const text = JSON.stringify(body);
  const likely = lifters.find((l) => JSON.stringify(l.body) === text);
  const lifter = lifters.find((l) => l.id === chosen) ?? likely ?? lifters[0] ?? null;
  const group = lifters.slice(0, mostRanked);
  const fields = (
    <>
      <Select
        label="Lifter"
        options={[
          ...(several && lifters.length > 1 ? [{ key: everyone, label: `Average of ${group.length} lifters` }] : []),
          ...lifters.map((l) => ({ key: l.id, label: l.name })),
        ]}
        value={chosen === everyone ? everyone : (lifter?.id ?? "")}
        onChange={choose}
      />
      <Select
        label="Gym"
        options={[{ key: "", label: "Any gym" }, ...rooms.map((r) => ({ key: r.id, label: r.name }))]}
        value={room?.id ?? ""}
        onChange={(id) => setPreferences({ room: id })}
      />
      {lifters.length === 0 && <p>Add a lifter first: exercises are ranked for one body.</p>}
    </>
  );
  const who: Who | null = lifter && { lifter: lifter.body, room };
  return { who, lifterId: lifter?.id ?? "", fields, all: chosen === everyone ? group.map((l) => l.body) : null };
}

type Look<T> = (progress: (share: number) => void, done: (answer: Answer<T>) => void) => () => void;

/** What a look came to and how far it is, begun anew whenever it would be another one. */
function useLook<T>(look: Look<T> | null, key: string) {
  const [share, setShare] = useState<number | null>(null);
  const [answer, setAnswer] = useState<Answer<T> | null>(null);
  const latest = useRef(look);
  latest.current = look;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says whether it is another look
  useEffect(() => {
    if (!latest.current) return;
    setShare(0);
    return latest.current(setShare, (a) => {
      setAnswer(a);
      setShare(null);
    });
  }, [key]);
  return { share, answer };
}

type FoundProps = { share: number | null; problems?: Problem[]; empty?: string | false; children: ReactNode };

/** The list of what is found, pale while it is looked for anew. */
function Found({ share, problems, empty, children }: FoundProps) {
  return (
    <>
      {share !== null && (
        <p role="status">
          Looking through the ready setups … <span className="mono">{Math.round(100 * share)}%</span>
        </p>
      )}
      <List style={{ opacity: share === null ? 1 : 0.5 }}>
        {problems && <Told problems={problems} />}
        {empty && <p>{empty}</p>}
        <ul>{children}</ul>
      </List>
    </>
  );
}

type RowProps = { place: number; lifterId: string; finding: Finding };

/** One ready setup that was found, with what the room lacks for it. */
function FoundRow({ ready, place, lifterId, finding, children }: RowProps & { ready: Ready; children: ReactNode }) {
  const units = useUnits();
  const begin = useBegin(lifterId);
  return (
    <Row data-ranked={ready.key}>
      <span className="picture">
        <SetupPicture document={ready.document} width={96} height={66} line />
      </span>
      <span>
        <span className="name">
          {place}. {ready.name}
        </span>
        {children}
        {ready.missing.map((m) => (
          <span className="told" key={m.path + m.text}>
            <StatusIcon tone="error" /> {units.sentence(m.text, m.values)}
          </span>
        ))}
      </span>
      <Button look="quiet" aria-label={`Start from: ${ready.name}`} onPress={() => void begin(ready.document)}>
        Start
      </Button>
      <AddOne {...finding} member={{ document: ready.document }} />
    </Row>
  );
}

function RankedRow({
  ranked: r,
  regionName,
  ...row
}: RowProps & { ranked: Ranked; regionName: (key: string) => string }) {
  const units = useUnits();
  const percent = (v: number) => units.text(100 * v, "percent");
  const [longest, shortest] = [r.longest.value, r.shortest.value];
  return (
    <FoundRow ready={r.ready} {...row}>
      <span className="thirds" aria-hidden>
        {r.thirds.map((v, k) => (
          <i key={thirds[k]} style={{ width: percent(v), background: shades[k] }} />
        ))}
      </span>
      <small>
        {r.why}
        {!r.aimed && ` Meant for ${regionName(r.ready.region)}.`}
      </small>
      {r.share > 0 && (
        <details>
          <summary>Numbers</summary>
          <small>
            {percent(r.share)} of the torque: {r.thirds.map((v, k) => `${percent(v)} ${thirds[k]}`).join(", ")};{" "}
            {longest != null &&
              shortest != null &&
              `from ${percent(longest)} to ${percent(shortest)} of its optimal length, `}
            {percent(r.even)} even
          </small>
        </details>
      )}
      {r.tones.length > 0 && (
        <span className="told">
          <StatusIcon tone="error" /> {r.tones.map((t) => names[t] ?? t).join(", ")}
        </span>
      )}
    </FoundRow>
  );
}

/** Begins a setup for a lifter and opens it on the bench. */
function useBegin(lifterId: string) {
  const cache = useQueryClient();
  const navigate = useNavigate();
  return async (document: SetupDocument) => {
    try {
      const row = await settled(client.POST("/api/setups", { body: { id: crypto.randomUUID(), lifterId, document } }));
      await changed(cache, "setups");
      navigate(`/bench/${row.id}`);
    } catch {
      notify("The server does not answer; nothing was started.");
    }
  };
}
