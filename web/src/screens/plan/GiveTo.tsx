import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { changed } from "../../api/changed";
import { asked, client, Refused, settled } from "../../api/client";
import type { Core } from "../../engine/core";
import type { Block, BlockEntry } from "../../engine/types";
import { useRooms } from "../../state/rooms";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { useLifters } from "../begin/useSaved";
import { withDayOf } from "./planEdits";

type Props = {
  core: Core;
  block: Block /** Place of the one day that is given; all of them without. */;
  day?: number;
  close: () => void;
};

/**
 * A copy of a plan, or of one of its days, for another lifter: every setup is made for their body and gym; what cannot be is told before
 * anything is written.
 */
export function GiveTo({ core, block, day, close }: Props) {
  const units = useUnits();
  const cache = useQueryClient();
  const navigate = useNavigate();
  const lifters = (useLifters().data?.items ?? []).filter((l) => l.id !== block.lifterId);
  const rooms = useRooms().data?.items ?? [];
  const [chosen, choose] = useState("");
  const [gym, setGym] = useState("");
  const [into, setInto] = useState("");
  const [problem, setProblem] = useState("");
  const lifter = lifters.find((l) => l.id === chosen) ?? lifters[0];
  const room = rooms.find((r) => r.id === gym) ?? rooms[0] ?? null;
  const one = day === undefined ? undefined : block.days[day];
  const plans = useQuery({
    ...asked("get", "/api/lifters/{id}/blocks", { params: { path: { id: lifter?.id ?? "" } } }),
    enabled: !!one && !!lifter,
  });
  const theirs = plans.data?.items.find((p) => p.id === into);
  const fitted = useMemo(() => {
    if (!lifter) return null;
    const left: { name: string; why: string }[] = [];
    const fit = (e: BlockEntry): BlockEntry[] => {
      const own = JSON.stringify({ ...e.document, lifter: lifter.body });
      const f = room ? core.fit(own, JSON.stringify(room.document), room.id).ok : null;
      const document = f?.document ?? JSON.parse(own);
      const lacks = f?.missing[0];
      const why =
        (lacks && units.sentence(lacks.text, lacks.values)) ??
        core.digest(JSON.stringify(document)).problems?.[0]?.what;
      if (why) {
        left.push({ name: e.document.name, why });
        return [];
      }
      return [
        { ...e, id: crypto.randomUUID(), setupId: undefined, setupVersion: undefined, loadBy: undefined, document },
      ];
    };
    const days = (one ? [one] : block.days).map((d) => ({ ...d, entries: d.entries.flatMap(fit) }));
    return { block: { ...block, lifterId: lifter.id, gym: room?.id, days }, left };
  }, [core, block, one, lifter, room, units]);
  const give = async () => {
    if (!fitted) return;
    try {
      const [given] = fitted.block.days;
      const path = { id: theirs?.id ?? "" };
      const row = await settled(
        theirs && given
          ? client.PUT("/api/blocks/{id}", {
              params: { path },
              body: { version: theirs.version, document: withDayOf(theirs.document, given) },
            })
          : client.POST("/api/blocks", { body: { id: crypto.randomUUID(), document: fitted.block } }),
      );
      await changed(cache, "blocks");
      close();
      navigate(`/plan/${row.id}`);
    } catch (error) {
      const told = error instanceof Refused ? error.failure.problems?.[0] : undefined;
      setProblem(told ? `${told.what} ${told.hint ?? ""}` : "Nothing was written: the server does not answer.");
    }
  };
  return (
    <Modal title={`Give ${one ? `day ${one.name}` : block.name} to another lifter`} open onClose={close}>
      {!lifter ? (
        <p>There is no other lifter yet.</p>
      ) : (
        <>
          <Select
            label="Lifter"
            options={lifters.map((l) => ({ key: l.id, label: l.name }))}
            value={lifter.id}
            onChange={choose}
          />
          {one && (
            <Select
              label="Plan"
              options={[
                { key: "", label: "A new plan" },
                ...(plans.data?.items ?? []).map((p) => ({ key: p.id, label: p.name })),
              ]}
              value={theirs?.id ?? ""}
              onChange={setInto}
            />
          )}
          {rooms.length > 0 && (
            <Select
              label="Gym"
              options={rooms.map((r) => ({ key: r.id, label: r.name }))}
              value={room?.id ?? ""}
              onChange={setGym}
            />
          )}
          {fitted && fitted.left.length === 0 && <p>Every exercise can be done by {lifter.name} there.</p>}
          {fitted?.left.map((x) => (
            <p key={x.name}>
              <StatusIcon tone="warning" /> {x.name} is left out: {x.why}
            </p>
          ))}
          <p>Loads are predicted anew from the strength of {lifter.name}.</p>
        </>
      )}
      {problem && <p role="alert">{problem}</p>}
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Cancel
        </Button>
        <Button look="strong" isDisabled={!fitted} onPress={() => void give()}>
          {theirs ? "Add the day" : "Make the copy"}
        </Button>
      </div>
    </Modal>
  );
}
