import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { Ready } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { phaseWords } from "../begin/ReadyOnes";

const Box = styled.section`
  display: grid;
  gap: 8px;
  ul { list-style: none; padding: 0; margin: 0; display: grid; gap: 0; }
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 10px;
    align-items: center;
    padding: 6px 0;
    border-top: 1px solid var(--line);
  }
  small, p { color: var(--quiet); }
  small { display: block; font-size: 12px; }
  .tries { display: flex; flex-wrap: wrap; gap: 2px 14px; }
`;

const tries = ["Lateral raise", "Pushdown", "Face pull", "Goblet squat"];
const shown = 6;

type Props = { core: Core; ready: Ready[]; open: (ready: Ready) => void };

/** An exercise found by what it is called, what it works or what it takes; it opens for an average body. */
export function FindExercise({ core, ready, open }: Props) {
  const [wanted, setWanted] = useState("");
  const hits = useQuery({
    queryKey: ["find", wanted],
    enabled: wanted.trim() !== "",
    queryFn: () => ({ found: core.find(wanted).ok, missing: core.notYet(wanted).ok ?? [] }),
    placeholderData: (before) => before,
  });
  const keys = wanted.trim() === "" ? [] : (hits.data?.found?.keys ?? []);
  const found = keys.flatMap((key) => ready.find((r) => r.key === key) ?? []);
  return (
    <Box aria-label="Start from an exercise">
      <TextInput label="Start from an exercise" value={wanted} onChange={setWanted} />
      {wanted.trim() === "" ? (
        <span className="tries">
          {tries.map((t) => (
            <Button key={t} look="link" onPress={() => setWanted(t)}>
              {t}
            </Button>
          ))}
        </span>
      ) : (
        <>
          {hits.data?.missing.map((m) => (
            <p key={m.name} role="status">
              {m.name} is not here yet: {m.why}. Near: {m.near.join(", ")}.
            </p>
          ))}
          {hits.data?.found?.near && found.length > 0 && <p role="status">Nothing is called that. Near:</p>}
          {hits.data && found.length === 0 && hits.data.missing.length === 0 && (
            <p role="status">No exercise matches. Try a muscle, a kind of equipment or another name.</p>
          )}
          <ul>
            {found.slice(0, shown).map((r) => (
              <li key={r.key}>
                <SetupPicture document={r.document} width={64} height={48} />
                <span>
                  <b>{r.name}</b>
                  <small>{phaseWords[r.phase]}</small>
                </span>
                <Button aria-label={`Open: ${r.name}`} onPress={() => open(r)}>
                  Open
                </Button>
              </li>
            ))}
          </ul>
          {found.length > shown && <p>{found.length - shown} more: add another word.</p>}
        </>
      )}
      <p>It opens for an average body of 1.75 m and 75 kg.</p>
    </Box>
  );
}
