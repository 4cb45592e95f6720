import { useQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { core } from "../../engine/core";
import type { Kept, Member } from "../../engine/types";
import { mostCompared } from "../../state/picked";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { written } from "../../ui/written";

const Box = styled.section`
  small { display: block; color: var(--quiet); font-size: 12px; line-height: 16px; }
  @media print { button { display: none; } }
`;

type Props = { kept: Kept; change: (kept: Kept) => void };

/** In what the second setup differs from the first, one thing at a time: each can be added as a setup that differs in it alone. */
export function Study({ kept, change }: Props) {
  const units = useUnits();
  const pair = kept.setups.slice(0, 2).map((m) => m.document);
  const study = useQuery({
    queryKey: ["study", pair],
    queryFn: async () => (await core()).study(pair).ok ?? null,
    enabled: pair.length === 2,
    staleTime: Number.POSITIVE_INFINITY,
    structuralSharing: false,
  });
  const found = study.data;
  if (!found) return null;
  const full = kept.setups.length >= mostCompared;
  const there = (document: Member["document"]) =>
    kept.setups.some((m) => JSON.stringify(m.document) === JSON.stringify(document));
  return (
    <Box aria-label="One difference at a time">
      <h2>A against B, one difference at a time</h2>
      {found.parts.length === 0 && <p>Nothing of B can be taken into A by itself.</p>}
      <ul>
        {found.parts.map((part) => (
          <li key={part.key} data-study={part.key}>
            {part.label}: {written(part.from, part.kind, units)} in A, {written(part.to, part.kind, units)} in B.{" "}
            {there(part.document) ? (
              <small>Added.</small>
            ) : (
              <Button
                look="link"
                isDisabled={full}
                aria-label={`Add A with this from B: ${part.label}`}
                onPress={() => change({ ...kept, setups: [...kept.setups, { document: part.document }] })}
              >
                Add A with this from B
              </Button>
            )}
          </li>
        ))}
      </ul>
      {found.left.length > 0 && <p>Cannot be changed by itself: {found.left.join(", ")}.</p>}
      {full && found.parts.length > 0 && <p>The table is full. Remove a setup to add another.</p>}
    </Box>
  );
}
