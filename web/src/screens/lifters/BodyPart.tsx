import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { Lifter } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { TextInput } from "../../ui/Field";
import { Select } from "../../ui/Select";
import { MeasurePath } from "./MeasurePath";
import type { Person } from "./useLifter";

const Part = styled.div`
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: 20px;
  align-items: start;
  .fields { display: grid; gap: 18px; }
  .grid { display: grid; grid-template-columns: repeat(auto-fill, minmax(190px, 1fr)); gap: 10px 14px; align-items: end; }
  h2 { font-size: 13px; }
  p { color: var(--quiet); font-size: 12px; }
  input::placeholder { color: var(--quiet); font-style: italic; }
  .picture { position: sticky; top: 0; }
  @media (max-width: 900px) { grid-template-columns: minmax(0, 1fr); .picture { display: none; } }
`;

const trainings = [
  { key: "", label: "Not given", note: "counts as trained, known less well" },
  { key: "novice", label: "Novice", note: "less than six months" },
  { key: "trained", label: "Trained", note: "one to four years" },
  { key: "advanced", label: "Advanced", note: "longer, and strong for it" },
];

const sexes = [
  { key: "", label: "Not given", note: "counts as male, known less well" },
  { key: "female", label: "Female" },
  { key: "male", label: "Male" },
];

type Props = {
  core: Core;
  person: Person;
  problemAt: (path: string) => string | undefined;
  change: (person: Person) => void;
};

/** What the tape and the scale say, and what to look out for. The figure grows with it. */
export function BodyPart({ core, person, problemAt, change }: Props) {
  const units = useUnits();
  const { body } = person;
  const set = (part: Partial<Lifter>) => change({ ...person, body: { ...body, ...part } });
  const [measuring, setMeasuring] = useState(false);
  const list = useQuery({ queryKey: ["lengths"], queryFn: () => core.lengths().ok ?? [] });
  const usual = core.strength(body).ok?.usual;
  const lengths = body.lengths ?? {};
  const setLength = (key: string, value: number | undefined) => {
    const { [key]: _, ...rest } = lengths;
    set({ lengths: value === undefined ? rest : { ...rest, [key]: value } });
  };
  const cautions = (body.cautions ?? []).join("\n");
  return (
    <Part>
      <div className="picture">
        <Figure core={core} body={body} />
        <p>
          {Object.keys(lengths).length} of {list.data?.length ?? 0} lengths measured; the rest follow from height.
        </p>
      </div>
      <div className="fields">
        <div className="grid">
          <QuantityEntry
            label="Height"
            value={body.height}
            kind="length"
            digits={1}
            problem={problemAt("height")}
            set={(v) => set({ height: v ?? body.height })}
          />
          <QuantityEntry
            label="Body mass"
            value={body.bodyMass}
            kind="mass"
            digits={1}
            problem={problemAt("bodyMass")}
            set={(v) => set({ bodyMass: v ?? body.bodyMass })}
          />
          <Select
            label="Training, for estimating strength"
            options={trainings}
            value={body.training ?? ""}
            onChange={(key) => set({ training: key === "" ? undefined : (key as Lifter["training"]) })}
          />
          <Select
            label="Sex, for estimating strength"
            options={sexes}
            value={body.sex ?? ""}
            onChange={(key) => set({ sex: key === "" ? undefined : (key as Lifter["sex"]) })}
          />
          <QuantityEntry
            label="Natural arm path, outward"
            value={body.naturalPathDeg ?? 0}
            kind="angle"
            digits={1}
            problem={problemAt("naturalPathDeg")}
            set={(v) => set({ naturalPathDeg: v })}
          />
          <Button onPress={() => setMeasuring(true)}>Measure the arm path</Button>
          {measuring && (
            <MeasurePath
              core={core}
              close={() => setMeasuring(false)}
              take={(deg) => {
                set({ naturalPathDeg: deg });
                setMeasuring(false);
              }}
            />
          )}
          <QuantityEntry
            label="Carrying angle of the elbow"
            value={body.carryingDeg}
            kind="angle"
            digits={1}
            placeholder="0"
            problem={problemAt("carryingDeg")}
            set={(v) => set({ carryingDeg: v })}
            optional
          />
          <QuantityEntry
            label="Low back limit"
            value={body.lowBackLimit}
            kind="torque"
            digits={0}
            placeholder={usual && units.number(usual.lowBack, "torque", 0)}
            problem={problemAt("lowBackLimit")}
            set={(v) => set({ lowBackLimit: v })}
            optional
          />
          <QuantityEntry
            label="Grip limit"
            value={body.gripLimit}
            kind="force"
            digits={0}
            placeholder={usual && units.number(usual.grip, "force", 0)}
            problem={problemAt("gripLimit")}
            set={(v) => set({ gripLimit: v })}
            optional
          />
        </div>
        <section className="fields" aria-label="Measured lengths">
          <h2>Measured lengths</h2>
          <p>Leave a field empty to use the usual proportion of height, shown in grey.</p>
          <div className="grid">
            {(list.data ?? []).map((l) => (
              <QuantityEntry
                key={l.key}
                label={`${l.label[0]?.toUpperCase()}${l.label.slice(1)}`}
                value={lengths[l.key]}
                kind="length"
                digits={1}
                placeholder={units.number(l.fraction * body.height, "length", 1)}
                problem={problemAt(`lengths.${l.key}`)}
                set={(v) => setLength(l.key, v)}
                optional
              />
            ))}
          </div>
        </section>
        <TextInput
          label="Cautions, one per line; shown on every setup"
          value={cautions}
          error={problemAt("cautions")}
          onChange={(text) => {
            const lines = text === "" ? undefined : text.split("\n").slice(0, 12);
            set({ cautions: lines });
          }}
          long
        />
        <TextInput label="Notes" value={person.notes} onChange={(notes) => change({ ...person, notes })} long />
      </div>
    </Part>
  );
}

/** The lifter as the tape has them, with a dumbbell in each hand. */
function Figure({ core, body }: { core: Core; body: Lifter }) {
  const document = useMemo(() => {
    const { strength: _s, ranges: _r, cautions: _c, ...shape } = body;
    return core.begin(shape, "deltoid.middle", "dumbbell", "standing").ok ?? null;
  }, [core, body]);
  return document && <SetupPicture document={document} width={220} height={300} />;
}
