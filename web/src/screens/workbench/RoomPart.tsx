import { useMemo, useState } from "react";
import type { Core } from "../../engine/core";
import type { Fitted, SetupDocument, StoredRoom } from "../../engine/types";
import { setPreferences } from "../../state/preferences";
import { useRooms } from "../../state/rooms";
import { Button } from "../../ui/Button";
import { Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { FitDialog } from "./FitDialog";

type Props = { core: Core; text: string; document: SetupDocument; change: (d: SetupDocument) => void };

/** Which room the setup is for, and whether it still is as that room has it. */
export function RoomPart({ core, text, document, change }: Props) {
  const rooms = useRooms().data?.items ?? [];
  const [asked, setAsked] = useState<StoredRoom | null>(null);
  const here = rooms.find((r) => r.id === document.gym);
  const roomText = useMemo(() => here && JSON.stringify(here.document), [here]);
  const now = useMemo(
    () => (here && roomText ? core.fit(text, roomText, here.id).ok : undefined),
    [core, text, here, roomText],
  );
  const pick = (id: string) => {
    const room = rooms.find((r) => r.id === id);
    setPreferences({ room: room?.id ?? "" });
    if (room) setAsked(room);
    else change(free(document));
  };
  const options = [
    { key: "", label: "Any gym", note: "Everything is adjustable" },
    ...rooms.map((r) => ({ key: r.id, label: r.name })),
  ];
  if (document.gym && !here) options.push({ key: document.gym, label: "A gym that is not on this list" });
  const fitted = useMemo(
    (): Fitted | undefined => (asked && core.fit(text, JSON.stringify(asked.document), asked.id).ok) || undefined,
    [core, text, asked],
  );
  const off = (now?.changes.length ?? 0) + (now?.missing.length ?? 0);
  return (
    <>
      <Select hideLabel label="Gym" options={options} value={document.gym ?? ""} onChange={pick} />
      {here && now?.anew && (
        <p className="off" role="status">
          <StatusIcon tone="warning" />
          <span>
            {off === 0
              ? `${here.name} was changed; nothing that matters here. `
              : `${off === 1 ? "One setting does" : `${off} settings do`} not match ${here.name}. `}
            <Button look="link" onPress={() => setAsked(here)}>
              Look
            </Button>
          </span>
        </p>
      )}
      {asked && fitted && (
        <FitDialog
          core={core}
          text={text}
          room={asked.name}
          fitted={fitted}
          apply={change}
          close={() => setAsked(null)}
        />
      )}
    </>
  );
}

/** The setup for no room: what it was taken from is forgotten but for the columns, which stand where they stand. */
function free(d: SetupDocument): SetupDocument {
  const loads = d.loads.map((l) => {
    const { kit, ...rest } = l;
    if (!kit?.station) return rest;
    const { station, column, hole, spec } = kit;
    return { ...rest, kit: { station, column, hole, spec } };
  });
  const bench = d.bench && { ...d.bench, kit: undefined };
  return { ...d, gym: undefined, bench, loads };
}

type TakeProps = Omit<Props, "text"> & { index: number };

/** Another station or band of the room for one load; the bench when the index is that of none. */
export function TakeAnother({ core, document, change, index }: TakeProps) {
  const room = useRooms().data?.items?.find((r) => r.id === document.gym);
  const load = document.loads[index];
  if (!room) return null;
  const { stations, bands, benches } = room.document;
  const pair = load && document.movement.side === "both" && load.kind === "cable" && !load.shared;
  const of: { label: string; list: { key: string; name: string }[]; now: string } =
    load === undefined
      ? { label: "Bench", list: document.bench?.kit ? benches : [], now: document.bench?.kit?.item ?? "" }
      : load.kind === "band"
        ? { label: "Band", list: bands, now: load.kit?.item ?? "" }
        : load.kind === "cable" || load.kind === "rope"
          ? {
              label: "Station",
              list: stations.filter((s) => !pair || s.columns === 2),
              now: load.kit?.station ?? "",
            }
          : { label: "", list: [], now: "" };
  if (of.list.length < 2) return null;
  const take = (key: string) => {
    const wanted = withItem(document, index, key);
    const answer = core.fit(JSON.stringify(wanted), JSON.stringify(room.document), room.id);
    if (answer.ok) change(answer.ok.document);
  };
  return (
    <Select
      label={of.label}
      options={of.list.map((x) => ({ key: x.key, label: x.name }))}
      value={of.now}
      onChange={take}
    />
  );
}

/** The document that asks for another thing of its room. */
function withItem(d: SetupDocument, index: number, key: string): SetupDocument {
  if (index < 0)
    return {
      ...d,
      bench: d.bench && { ...d.bench, kit: { notchesDeg: [], mass: d.bench.kit?.mass ?? 30, item: key } },
    };
  const loads = d.loads.map((l, i) => {
    if (i !== index) return l;
    return l.kind === "band"
      ? { ...l, kit: { ...l.kit, item: key } }
      : { ...l, kit: { ...l.kit, station: key, column: l.kit?.column ?? "right" } };
  });
  return { ...d, loads };
}
