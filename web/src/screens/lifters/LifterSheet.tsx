import { useQuery, useQueryClient } from "@tanstack/react-query";
import { ArrowLeft, Copy, Pencil, Trash2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import styled from "styled-components";
import { client, Refused, settled } from "../../api/client";
import type { SetupDocument, StoredLifter, StoredSetup } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { notify } from "../../ui/Notices";
import { NewSetup } from "../begin/NewSetup";
import { LifterDialog } from "./LifterDialog";
import { lifterKeys } from "./LiftersScreen";

const Sheet = styled.div`
  padding: 18px 24px;
  max-width: 860px;
  display: grid;
  gap: 16px;
  .title { display: flex; align-items: center; gap: 8px; flex-wrap: wrap; }
  h1 { font-size: 24px; line-height: 30px; overflow-wrap: anywhere; }
  .facts { display: flex; gap: 24px; flex-wrap: wrap; }
  dt { color: var(--quiet); font-size: 12px; }
  dd { margin: 0; font-weight: 600; }
  .back { display: none; }
  h2 { font-size: 15px; }
  .rows { border-top: 1px solid var(--line); }
  .row { display: flex; align-items: center; gap: 8px; padding: 4px 0; border-bottom: 1px solid var(--line); }
  .row a { flex: 1; min-width: 0; padding: 10px 4px; text-decoration: none; font-weight: 600; overflow-wrap: anywhere; }
  .row a:hover { background: var(--sheet); }
  .row a small { display: block; font-weight: 400; color: var(--quiet); }
  @media (max-width: 700px) { padding: 12px 14px; .back { display: inline-flex; } }
`;

/** One lifter: what is known of the body, and the setups made for it. */
export function LifterSheet({ lifter }: { lifter: StoredLifter }) {
  const units = useUnits();
  const cache = useQueryClient();
  const navigate = useNavigate();
  const [changing, setChanging] = useState(false);
  const [creating, setCreating] = useState(false);
  const setups = useQuery({
    queryKey: lifterKeys.setups(lifter.id),
    queryFn: () => settled(client.GET("/api/setups", { params: { query: { lifterId: lifter.id, limit: 200 } } })),
  });
  const refresh = () => cache.invalidateQueries();
  const failed = (error: unknown) =>
    notify(
      error instanceof Refused && error.failure.status === 409
        ? "It was changed elsewhere: look again, then delete."
        : "The server does not answer; nothing was changed.",
    );

  const removeSetup = async (s: StoredSetup) => {
    try {
      await settled(
        client.DELETE("/api/setups/{id}", { params: { path: { id: s.id }, query: { version: s.version } } }),
      );
      await refresh();
      notify(`${s.name} was deleted.`, {
        label: "Undo",
        run: () =>
          void settled(client.POST("/api/setups/{id}/restore", { params: { path: { id: s.id } } })).then(
            refresh,
            failed,
          ),
      });
    } catch (error) {
      failed(error);
      await refresh();
    }
  };
  const removeLifter = async () => {
    try {
      await settled(
        client.DELETE("/api/lifters/{id}", { params: { path: { id: lifter.id }, query: { version: lifter.version } } }),
      );
      navigate("/lifters");
      await refresh();
      notify(`${lifter.name} was deleted with all setups.`, {
        label: "Undo",
        run: () =>
          void settled(client.POST("/api/lifters/{id}/restore", { params: { path: { id: lifter.id } } })).then(
            refresh,
            failed,
          ),
      });
    } catch (error) {
      failed(error);
      await refresh();
    }
  };
  const create = async (document: SetupDocument, open: boolean) => {
    try {
      const row = await settled(
        client.POST("/api/setups", { body: { id: crypto.randomUUID(), lifterId: lifter.id, document } }),
      );
      await refresh();
      if (open) navigate(`/bench/${row.id}`);
    } catch (error) {
      failed(error);
    }
  };
  const strength = lifter.body.strength?.length ?? 0;
  return (
    <Sheet>
      <div className="title">
        <span className="back">
          <Button look="quiet" aria-label="Back to the list" onPress={() => navigate("/lifters")}>
            <ArrowLeft size={16} aria-hidden />
          </Button>
        </span>
        <h1>{lifter.name}</h1>
        <Button look="quiet" aria-label={`Change ${lifter.name}`} onPress={() => setChanging(true)}>
          <Pencil size={15} aria-hidden />
        </Button>
        <Button look="quiet" aria-label={`Delete ${lifter.name}`} onPress={() => void removeLifter()}>
          <Trash2 size={15} aria-hidden />
        </Button>
      </div>
      <dl className="facts">
        <div>
          <dt>Stature</dt>
          <dd className="mono">{units.text(lifter.body.stature, "length")}</dd>
        </div>
        <div>
          <dt>Body mass</dt>
          <dd className="mono">{units.text(lifter.body.mass, "mass")}</dd>
        </div>
        <div>
          <dt>Arms track out</dt>
          <dd className="mono">{units.text(lifter.body.naturalPathDeg ?? 0, "angle")}</dd>
        </div>
        <div>
          <dt>Strength</dt>
          <dd>{strength ? `${strength} tests` : "estimated from body mass"}</dd>
        </div>
      </dl>
      {lifter.notes && <p>{lifter.notes}</p>}
      <div className="title">
        <h2>Setups</h2>
        <Button onPress={() => setCreating(true)}>New setup</Button>
      </div>
      {setups.isPending && <p role="status">Loading …</p>}
      {setups.error && (
        <p role="alert">
          The setups could not be loaded.{" "}
          <Button look="link" onPress={() => void setups.refetch()}>
            Try again
          </Button>
        </p>
      )}
      {setups.data && (setups.data.items ?? []).length === 0 && (
        <p>No setups yet. Begin with a ready one and turn it until it fits.</p>
      )}
      <div className="rows">
        {(setups.data?.items ?? []).map((s) => (
          <div className="row" key={s.id}>
            <SetupPicture document={s.document} width={96} height={72} />
            <Link to={`/bench/${s.id}`}>
              {s.name}
              <small>{describe(s, units)}</small>
            </Link>
            <Button
              look="quiet"
              aria-label={`Copy ${s.name}`}
              onPress={() => void create({ ...s.document, name: `${s.name}, copy`.slice(0, 200) }, false)}
            >
              <Copy size={15} aria-hidden />
            </Button>
            <Button look="quiet" aria-label={`Delete ${s.name}`} onPress={() => void removeSetup(s)}>
              <Trash2 size={15} aria-hidden />
            </Button>
          </div>
        ))}
      </div>
      {changing && <LifterDialog lifter={lifter} close={() => setChanging(false)} />}
      {creating && <NewSetup lifter={lifter} close={() => setCreating(false)} pick={(d) => create(d, true)} />}
    </Sheet>
  );
}

function describe(s: StoredSetup, units: ReturnType<typeof useUnits>): string {
  const { loads, movement } = s.document;
  const swept = movement.kind === "sweep" || movement.kind === "shoulder-raise";
  const range = { hold: "held", guided: "guided", keyframes: "in poses" }[movement.kind as string] ?? "";
  return [
    (loads ?? []).map((l) => describeLoad(l, units)).join(" and "),
    swept ? `${movement.fromDeg ?? 0} to ${movement.toDeg ?? 0}°` : range,
    `version ${s.version}`,
  ].join(" · ");
}

function describeLoad(load: StoredSetup["document"]["loads"][number], units: ReturnType<typeof useUnits>): string {
  const mass = (kg?: number) => units.text(kg ?? 0, "mass");
  switch (load.kind) {
    case "dumbbell":
      return `dumbbell ${mass(load.mass)}`;
    case "bar":
      return `${mass(load.mass)} in both hands`;
    case "band":
      return `band ${units.text(load.restLength ?? 0, "length")}`;
    case "strands":
      return `rope ${mass(load.stackMass)}`;
    case "cam":
      return `machine ${mass(load.stackMass)}`;
    case "lever":
      return `lever ${mass(load.plateMass)}`;
    case "ownBody":
      return "own body";
  }
  return `cable ${mass(load.stackMass)}${load.kit?.hole ? `, hole ${load.kit.hole}` : ""}`;
}
