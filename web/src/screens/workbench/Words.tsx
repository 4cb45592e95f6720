import { useState } from "react";
import styled from "styled-components";
import type { SetupDocument } from "../../engine/types";
import type { Edits } from "./useDocument";

const Box = styled.div`
  display: grid;
  gap: 6px;
  padding-bottom: 4px;
  label { display: grid; gap: 3px; color: var(--quiet); font-size: 12px; }
  textarea {
    resize: vertical;
    min-height: 60px;
    padding: 5px 8px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
    font-size: 13px;
    line-height: 18px;
    color: var(--ink);
  }
`;

type Props = { document: SetupDocument; set: Edits["set"] };

/** What the coach says to the lifter, and what is worth remembering. */
export function Words({ document, set }: Props) {
  const cues = (document.cues ?? []).join("\n");
  return (
    <Box>
      <Lines key={`c${cues}`} label="Cues, one per line" text={cues} done={(text) => set("cues", text.split("\n"))} />
      <Lines
        key={`s${document.safely ?? ""}`}
        label="How to bail out of a failed rep"
        text={document.safely ?? ""}
        done={(text) => set("safely", text)}
      />
      <Lines
        key={`n${document.notes ?? ""}`}
        label="Notes"
        text={document.notes ?? ""}
        done={(text) => set("notes", text)}
      />
    </Box>
  );
}

/** A text that is taken over when its field is left; Escape takes the change back. */
function Lines({ label, text, done }: { label: string; text: string; done: (text: string) => void }) {
  const [now, setNow] = useState(text);
  return (
    <label>
      {label}
      <textarea
        value={now}
        rows={3}
        maxLength={4000}
        onChange={(e) => setNow(e.target.value)}
        onBlur={() => now !== text && done(now)}
        onKeyDown={(e) => e.key === "Escape" && setNow(text)}
      />
    </label>
  );
}
