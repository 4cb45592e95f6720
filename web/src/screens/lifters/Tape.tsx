import { useQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { core } from "../../engine/core";
import { useUnits } from "../../state/units";
import { NumberInput } from "../../ui/Field";

const Fold = styled.details`
  summary { cursor: pointer; font-weight: 600; padding: 4px 0; }
  .grid { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 10px 14px; padding: 8px 0 2px; align-items: end; }
  p { color: var(--quiet); font-size: 12px; }
  @media (max-width: 500px) { .grid { grid-template-columns: minmax(0, 1fr); } }
`;

type Props = {
  stature: number;
  lengths: Record<string, number>;
  onChange: (lengths: Record<string, number>) => void;
  errorAt: (path: string) => string | undefined;
};

/** What the tape says of this body. An empty field stands for the usual share of the stature, which it shows. */
export function Tape({ stature, lengths, onChange, errorAt }: Props) {
  const units = useUnits();
  const list = useQuery({ queryKey: ["lengths"], queryFn: async () => (await core()).lengths().ok ?? [] });
  const unit = units.unit("length");
  const change = (key: string, shown: number) => {
    const { [key]: _, ...rest } = lengths;
    onChange(Number.isNaN(shown) ? rest : { ...rest, [key]: Math.round((shown / unit.factor) * 1e5) / 1e5 });
  };
  const wrong = (list.data ?? []).some((l) => errorAt(`body.lengths.${l.key}`));
  return (
    <Fold open={wrong || undefined}>
      <summary>Tape: {Object.keys(lengths).length || "nothing"} measured</summary>
      <p>Leave a field empty and the usual share of the stature is taken.</p>
      <div className="grid">
        {(list.data ?? []).map((l) => (
          <NumberInput
            key={l.key}
            label={`${l.label[0]?.toUpperCase()}${l.label.slice(1)}, ${unit.name}`}
            value={(lengths[l.key] ?? Number.NaN) * unit.factor}
            onChange={(v) => change(l.key, v)}
            placeholder={Number.isNaN(stature) ? "" : units.number(l.fraction * stature, "length", 1)}
            error={errorAt(`body.lengths.${l.key}`)}
          />
        ))}
      </div>
    </Fold>
  );
}
