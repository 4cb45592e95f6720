import { useState } from "react";
import styled from "styled-components";
import type { SetupDocument } from "../../engine/types";

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

type Props = { document: SetupDocument; change: (document: SetupDocument) => void };

/** What the coach says to the lifter, and what is worth remembering. */
export function Words({ document, change }: Props) {
  const cues = (document.cues ?? []).join("\n");
  const setCues = (text: string) => {
    const lines = text
      .split("\n")
      .map((l) => l.trim())
      .filter(Boolean);
    change({ ...document, cues: lines.length ? lines : undefined });
  };
  return (
    <Box>
      <Lines key={`c${cues}`} label="Cues, one per line" text={cues} done={setCues} />
      <Lines
        key={`s${document.safely ?? ""}`}
        label="How to bail out of a failed rep"
        text={document.safely ?? ""}
        done={(safely) => change({ ...document, safely: safely.trim() || undefined })}
      />
      <Lines
        key={`n${document.notes ?? ""}`}
        label="Notes"
        text={document.notes ?? ""}
        done={(notes) => change({ ...document, notes: notes.trim() || undefined })}
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
