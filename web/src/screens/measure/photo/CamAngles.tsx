import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../../api/changed";
import { client, settled } from "../../../api/client";
import type { PhotoFit } from "../../../engine/types";
import { useRooms } from "../../../state/rooms";
import { useUnits } from "../../../state/units";
import { Button } from "../../../ui/Button";
import { QuantityEntry } from "../../../ui/Entry";
import { notify } from "../../../ui/Notices";
import { Select } from "../../../ui/Select";
import { drawnMachine } from "./DrawnMachine";

type Point = { angleDeg: number; arm: number };

/** A cam's moment arm, picture by picture, and taking the table over to a machine. */
export function CamAngles({ cam, drawn }: { cam: PhotoFit["cam"]; drawn: boolean }) {
  const units = useUnits();
  const cache = useQueryClient();
  const rooms = useRooms().data?.items ?? [];
  const machines = rooms.flatMap((r) =>
    r.document.cams.map((c, index) => ({ key: `${r.id} ${c.key}`, label: `${c.name}, ${r.name}`, room: r, index })),
  );
  const [table, setTable] = useState<Point[]>([]);
  const [angle, setAngle] = useState<number | undefined>();
  const [target, setTarget] = useState("");
  const machine = machines.find((m) => m.key === (target || machines[0]?.key));
  const add = () => {
    if (!cam) return;
    const point = { angleDeg: Math.round(angle ?? cam.angleDeg), arm: Math.round(1e4 * cam.arm) / 1e4 };
    setTable(
      [...table.filter((p) => Math.abs(p.angleDeg - point.angleDeg) > 0.5), point].sort(
        (a, b) => a.angleDeg - b.angleDeg,
      ),
    );
    setAngle(undefined);
  };
  const save = async () => {
    if (!machine) return;
    const { room, index } = machine;
    const cams = room.document.cams.map((c, i) => (i === index ? { ...c, table } : c));
    const put = (version: number, document: typeof room.document) =>
      settled(client.PUT("/api/rooms/{id}", { params: { path: { id: room.id } }, body: { version, document } }));
    try {
      const row = await put(room.version, { ...room.document, cams });
      await changed(cache, "rooms");
      notify(`${machine.label}: the cam is as measured.`, {
        label: "Undo",
        run: () => void put(row.version, room.document).then(() => changed(cache, "rooms")),
      });
    } catch (error) {
      notify(
        error instanceof Error
          ? `${error.message} Nothing was changed.`
          : "The server does not answer; nothing was changed.",
      );
    }
  };
  return (
    <>
      {cam ? (
        <div>
          <h1>
            {units.text(cam.arm, "length", 1)}
            {cam.off.value != null && ` ± ${units.number(cam.off.value, "length", 1)}`}
          </h1>
          <p className="quiet">
            from the axis square to the rope, with the machine's arm {cam.angleDeg.toFixed(0)}° from hanging.
            {cam.off.value == null && ` ${cam.off.why}`}
            {drawn && ` The machine is drawn with ${units.text(drawnMachine.arm, "length", 1)}.`}
          </p>
        </div>
      ) : (
        <p className="quiet">
          Mark axis, arm and two points of the rope; then take the next picture with the arm elsewhere.
        </p>
      )}
      <QuantityEntry
        label="Joint angle there, if it is not that of the picture"
        kind="angle"
        digits={0}
        value={angle}
        placeholder={cam ? cam.angleDeg.toFixed(0) : ""}
        set={setAngle}
        optional
      />
      <Button isDisabled={!cam} onPress={add}>
        Add this angle
      </Button>
      {table.length > 0 && (
        <table aria-label="Cam by angle">
          <thead>
            <tr>
              <th scope="col">angle</th>
              <th scope="col">moment arm</th>
              <th scope="col"> </th>
            </tr>
          </thead>
          <tbody>
            {table.map((p) => (
              <tr key={p.angleDeg}>
                <td className="mono">{p.angleDeg}°</td>
                <td className="mono now">{units.text(p.arm, "length", 1)}</td>
                <td>
                  <Button
                    look="link"
                    aria-label={`Remove ${p.angleDeg}°`}
                    onPress={() => setTable(table.filter((q) => q !== p))}
                  >
                    Remove
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {machines.length > 0 ? (
        <>
          <Select
            label="Machine"
            options={machines.map(({ key, label }) => ({ key, label }))}
            value={machine?.key ?? ""}
            onChange={(key) => setTarget(String(key))}
          />
          <Button look="strong" isDisabled={table.length < 2} onPress={() => void save()}>
            Use {table.length < 2 ? "two angles or more" : `these ${table.length} angles`}
          </Button>
        </>
      ) : (
        <small>No gym has a machine with a cam yet; add one under Equipment to take the table over.</small>
      )}
    </>
  );
}
