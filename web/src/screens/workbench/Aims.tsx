import { X } from "lucide-react";
import styled from "styled-components";
import type { Aim } from "../../engine/types";
import { letter, usePicked } from "../../state/picked";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { Select } from "../../ui/Select";

const Disclosure = styled.details`
  summary { cursor: pointer; color: var(--slate); font-weight: 600; }
  p { color: var(--quiet); padding: 4px 0; }
  ul { list-style: none; padding: 0; margin: 0; display: grid; gap: 8px; }
  li {
    display: grid;
    grid-template-columns: minmax(160px, 240px) minmax(120px, 200px) auto;
    gap: 10px;
    align-items: end;
    justify-content: start;
  }
`;

const kinds = [
  { key: "hardestAt", label: "Hardest at", unit: "angle", first: 30, digits: 0 },
  { key: "endAtLeast", label: "Torque at the end, at least", unit: "share", first: 0.6, digits: 0 },
  { key: "targetAtLeast", label: "Target does at least", unit: "share", first: 0.5, digits: 0 },
  { key: "shearAtMost", label: "Shear at the joint, at most", unit: "force", first: 400, digits: 0 },
  { key: "like", label: "Same profile as", unit: "", first: 0, digits: 0 },
] as const;

const most = 6;

type Props = { aims: Aim[]; set: (aims: Aim[]) => void };

/** What the search looks for beside the score. */
export function Aims({ aims, set }: Props) {
  const { setups } = usePicked();
  const options = kinds.filter((k) => k.key !== "like" || setups.length > 0).map(({ key, label }) => ({ key, label }));
  const change = (i: number, aim: Aim) => set(aims.map((a, k) => (k === i ? aim : a)));
  const begun = (key: string): Aim => {
    const kind = kinds.find((k) => k.key === key) ?? kinds[0];
    return kind.key === "like"
      ? { kind: "like", document: setups[0]?.document }
      : { kind: kind.key, value: kind.first };
  };
  return (
    <Disclosure open={aims.length > 0}>
      <summary>Aims</summary>
      <p>
        What the setup has to do beside its target profile.{" "}
        {setups.length === 0 && "To match another setup's profile, add that one to Compare first."}
      </p>
      <ul>
        {aims.map((aim, i) => {
          const kind = kinds.find((k) => k.key === aim.kind) ?? kinds[0];
          const like = setups.findIndex((m) => JSON.stringify(m.document) === JSON.stringify(aim.document));
          return (
            <li key={i}>
              <Select
                label={`Aim ${i + 1}`}
                options={options}
                value={aim.kind}
                onChange={(key) => change(i, begun(key))}
              />
              {aim.kind === "like" ? (
                <Select
                  label="Setup"
                  options={setups.map((m, k) => ({ key: String(k), label: `${letter(k)}: ${m.document.name}` }))}
                  value={String(Math.max(0, like))}
                  onChange={(key) => change(i, { kind: "like", document: setups[Number(key)]?.document })}
                />
              ) : (
                <QuantityEntry
                  label="Value"
                  kind={kind.unit}
                  digits={kind.digits}
                  value={aim.value ?? 0}
                  set={(v) => change(i, { ...aim, value: v ?? kind.first })}
                />
              )}
              <Button
                look="quiet"
                aria-label={`Remove aim ${i + 1}`}
                onPress={() => set(aims.filter((_, k) => k !== i))}
              >
                <X size={14} aria-hidden />
              </Button>
            </li>
          );
        })}
      </ul>
      {aims.length < most && (
        <Button look="link" onPress={() => set([...aims, begun("hardestAt")])}>
          Add an aim
        </Button>
      )}
    </Disclosure>
  );
}
