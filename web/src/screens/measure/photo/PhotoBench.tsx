import { useMemo, useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { UndoRedo } from "../../../editing/EditTools";
import type { Core } from "../../../engine/core";
import type { StoredLifter, StoredSetup } from "../../../engine/types";
import { Button } from "../../../ui/Button";
import { QuantityEntry } from "../../../ui/Entry";
import { FileButton } from "../../../ui/FileButton";
import { notify } from "../../../ui/Notices";
import { Segments } from "../../../ui/Select";
import { ThreeParts } from "../ThreeParts";
import { DrawnMachine, drawnMachine } from "./DrawnMachine";
import { armNearer, DrawnPicture, drawn, drawnOf } from "./DrawnPicture";
import { PhotoFound } from "./PhotoFound";
import { PhotoStage } from "./PhotoStage";
import { known, pointsOf, type What } from "./points";
import { pictureOf, usePhoto } from "./usePhoto";

const Setting = styled.div`
  display: grid;
  gap: 14px;
  .row { display: flex; gap: 6px; flex-wrap: wrap; }
  ul { list-style: none; padding: 0; display: grid; }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 6px;
    align-items: center;
    border-top: 1px solid var(--line);
    padding: 4px 6px;
  }
  li[data-now="true"] { background: var(--paper); box-shadow: inset 3px 0 0 var(--ember); }
  li > button.point { border: 0; background: none; padding: 0; text-align: left; cursor: pointer; min-height: var(--target); }
  li[data-placed="true"] > button.point { font-weight: 600; }
`;

const machineName = "Drawn test machine";

type Props = { core: Core; lifter: StoredLifter; setups: StoredSetup[] };

/** A picture with points: what is marked on the left, the picture in the middle, what it comes to on the right. */
export function PhotoBench({ core, lifter, setups }: Props) {
  const photo = usePhoto();
  const { picture, now } = photo;
  const [what, setWhat] = useState<What>("body");
  const [picked, setPicked] = useState<string | null>(null);
  const points = pointsOf(what);
  const current = picked ?? points.find((p) => !now.marks[p.key])?.key ?? "";
  const labelOf = (key: string) => points.find((p) => p.key === key)?.label ?? key;
  const figure = useMemo(() => drawnOf(core, lifter.body), [core, lifter.body]);
  const asked = useMemo(() => {
    const ends = known.flatMap((k) => now.marks[k.key] ?? []);
    const { top: _, foot: __, ...marks } = now.marks;
    return { known: ends, length: now.length, camera: now.camera ?? 0, nearer: now.nearer, marks };
  }, [now]);
  const { ok: fit, problems = [] } = useMemo(() => core.photo(asked), [core, asked]);
  const open = async (file: File) => {
    try {
      photo.open(await pictureOf(file));
      setPicked(null);
    } catch {
      notify(`${file.name} is no picture that this browser can show. Give a JPEG or PNG.`);
    }
  };
  const openDrawn = () => {
    const { width, height, camera, rod } = what === "cam" ? drawnMachine : drawn;
    const nearer = what === "cam" ? 0 : armNearer(lifter.body);
    photo.open(
      { width, height, name: what === "cam" ? machineName : "Drawn test picture" },
      { camera, length: rod, nearer },
    );
    setPicked(null);
  };
  return (
    <ThreeParts>
      <header>
        <Link to={`/measure/${lifter.id}`}>{lifter.name}</Link>
        <span aria-hidden>/</span>
        <h1>From a photograph</h1>
        <span className="push" />
        {picture && <UndoRedo canUndo={photo.canUndo} canRedo={photo.canRedo} undo={photo.undo} redo={photo.redo} />}
      </header>
      <section aria-label="What is marked">
        <Setting>
          <div>
            <h2>Picture</h2>
            <small>
              {picture
                ? `${picture.name}, ${picture.width} × ${picture.height}. It stays in this browser.`
                : "Taken square-on from three metres or more, with a rod or tape upright in it. It stays in this browser."}
            </small>
            <div className="row">
              <FileButton accept="image/*" open={(file) => void open(file)}>
                Open a picture
              </FileButton>
              <Button look="quiet" isDisabled={!figure} onPress={openDrawn}>
                Try a drawn one
              </Button>
            </div>
          </div>
          {picture && (
            <>
              <Segments
                label="What is measured"
                options={[
                  { key: "body", label: "Body" },
                  { key: "cam", label: "Machine's cam" },
                ]}
                value={what}
                onChange={(key) => {
                  setWhat(key as What);
                  setPicked(null);
                }}
              />
              <QuantityEntry
                label="Known length"
                kind="length"
                digits={1}
                value={now.length}
                set={(length) => length !== undefined && photo.tell({ length })}
              />
              <QuantityEntry
                label="Camera to it"
                kind="length"
                digits={0}
                value={now.camera}
                set={(camera) => photo.tell({ camera })}
                optional
              />
              <QuantityEntry
                label={what === "body" ? "Limb nearer to the camera by" : "Machine nearer to the camera by"}
                kind="length"
                digits={0}
                value={now.nearer}
                set={(nearer) => nearer !== undefined && photo.tell({ nearer })}
              />
              <ul aria-label="Points">
                {points.map((p) => (
                  <li key={p.key} data-now={p.key === current} data-placed={!!now.marks[p.key]}>
                    <button
                      type="button"
                      className="point"
                      aria-pressed={p.key === current}
                      onClick={() => setPicked(p.key)}
                    >
                      {p.label}
                    </button>
                    {now.marks[p.key] ? (
                      <Button look="link" aria-label={`Remove ${p.label}`} onPress={() => photo.remove(p.key)}>
                        Remove
                      </Button>
                    ) : (
                      <Button
                        look="link"
                        aria-label={`Place ${p.label} in the middle`}
                        onPress={() => {
                          photo.place(p.key, { x: picture.width / 2, y: picture.height / 2 }, false);
                          setPicked(p.key);
                        }}
                      >
                        Place
                      </Button>
                    )}
                  </li>
                ))}
              </ul>
            </>
          )}
        </Setting>
      </section>
      <section aria-label="The picture" style={{ padding: 0, alignContent: "stretch", overflow: "hidden" }}>
        {picture ? (
          <PhotoStage
            picture={picture}
            marks={shown(now.marks, points)}
            labelOf={labelOf}
            current={current}
            setCurrent={setPicked}
            place={(key, mark, moving) => {
              photo.place(key, mark, moving);
              if (!moving) setPicked(null);
            }}
            settle={photo.settle}
          >
            {picture.name === machineName && !picture.url ? (
              <DrawnMachine />
            ) : (
              !picture.url && figure && <DrawnPicture drawn={figure} lifter={lifter.body} />
            )}
          </PhotoStage>
        ) : (
          <p className="quiet" style={{ padding: 18 }}>
            Mark the ends of something of known length, then the joints: lengths and angles come with how far they could
            be off. A machine's cam is measured the same way, angle by angle.
          </p>
        )}
      </section>
      <section aria-label="What it comes to">
        <PhotoFound
          core={core}
          lifter={lifter}
          setups={setups}
          what={what}
          fit={fit}
          problems={picture && Object.keys(now.marks).length > 1 ? problems : []}
          drawn={picture !== null && !picture.url}
        />
      </section>
    </ThreeParts>
  );
}

const shown = <T,>(marks: Record<string, T>, points: { key: string }[]): Record<string, T> =>
  Object.fromEntries(Object.entries(marks).filter(([key]) => points.some((p) => p.key === key)));
