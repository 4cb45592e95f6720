import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { changed } from "../../api/changed";
import { asked, client, settled } from "../../api/client";
import type { SetupDocument } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { notify } from "../../ui/Notices";

const List = styled.ul`
  list-style: none;
  padding: 0;
  margin: 0;
  max-height: min(60vh, 560px);
  overflow-y: auto;
  li { display: flex; gap: 12px; align-items: center; padding: 8px 0; border-top: 1px solid var(--line); }
  .words { flex: 1; min-width: 0; display: grid; gap: 2px; }
  input {
    min-width: 0;
    padding: 2px 6px;
    margin-left: -6px;
    border: 1px solid transparent;
    border-radius: 5px;
    background: transparent;
    font-weight: 600;
  }
  input:hover, input:focus { border-color: var(--line); }
  small { color: var(--quiet); overflow-wrap: anywhere; }
`;

type Props = {
  setupId: string;
  version: number;
  /** What the setup is called now. */
  name: string;
  /** Whether something on the bench is not saved. */
  dirty: boolean;
  goBack: (document: SetupDocument) => void;
  /** Puts a version beside the setup as it stands. */
  compare: (before: SetupDocument, version: number) => void;
  close: () => void;
};

const date = new Intl.DateTimeFormat(undefined, { dateStyle: "medium", timeStyle: "short" });

/** Every saved state of the setup; any can be named, and taken back onto the bench. */
export function Versions({ setupId, version, name: called, dirty, goBack, compare, close }: Props) {
  const cache = useQueryClient();
  const states = useQuery(
    asked("get", "/api/setups/{id}/versions", { params: { path: { id: setupId }, query: { limit: 200 } } }),
  );
  const name = async (v: number, title: string) => {
    try {
      await settled(
        client.PUT("/api/setups/{id}/versions/{version}", {
          params: { path: { id: setupId, version: v } },
          body: { title },
        }),
      );
      await changed(cache, "setups");
    } catch {
      notify("The name was not saved: the server does not answer.");
    }
  };
  return (
    <Modal title="Versions" open onClose={close}>
      {states.isPending && <p role="status">Loading …</p>}
      {states.error && (
        <p role="alert">
          The versions could not be loaded.{" "}
          <Button look="link" onPress={() => void states.refetch()}>
            Try again
          </Button>
        </p>
      )}
      <List>
        {(states.data?.items ?? []).map((s) => (
          <li key={s.version}>
            {!s.unreadable && <SetupPicture document={s.document} width={104} height={78} />}
            <div className="words">
              <Title key={s.title} version={s.version} title={s.title} name={(title) => void name(s.version, title)} />
              <small>
                version {s.version}, {date.format(new Date(s.savedAt))}
                {!s.unreadable && s.document.name !== called && `, then called ${s.document.name}`}
              </small>
            </div>
            {s.version === version && !dirty ? (
              <span>open now</span>
            ) : s.unreadable ? (
              <span>{s.unreadable}</span>
            ) : (
              <span className="does">
                <Button
                  look="quiet"
                  aria-label={`Compare with version ${s.version}`}
                  onPress={() => compare(s.document, s.version)}
                >
                  Compare
                </Button>
                <Button
                  aria-label={`Go back to version ${s.version}`}
                  onPress={() => {
                    goBack(s.document);
                    close();
                  }}
                >
                  Go back
                </Button>
              </span>
            )}
          </li>
        ))}
      </List>
      {states.data && states.data.total > (states.data.items ?? []).length && (
        <p>The newest 200 of {states.data.total} are shown.</p>
      )}
      <div className="actions">
        <Button look="strong" onPress={close}>
          Close
        </Button>
      </div>
    </Modal>
  );
}

/** The title of a state, taken over when the field is left. */
function Title({ version, title, name }: { version: number; title: string; name: (title: string) => void }) {
  const [text, setText] = useState(title);
  return (
    <input
      aria-label={`Name of version ${version}`}
      placeholder="Give it a name"
      value={text}
      maxLength={200}
      onChange={(e) => setText(e.target.value)}
      onBlur={() => text.trim() !== title && name(text.trim())}
      onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
    />
  );
}
