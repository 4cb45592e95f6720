import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { changed } from "../../api/changed";
import { client, isOutage, settled } from "../../api/client";
import type { Core } from "../../engine/core";
import type { Kept, Problem } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { Told } from "../begin/parts";

/** The comparison without references to setups that are not here: a file may come from another coach. */
async function atHome(kept: Kept): Promise<Kept> {
  const here = (id: string) =>
    settled(client.GET("/api/setups/{id}", { params: { path: { id } } })).then(
      () => true,
      (error) => {
        if (isOutage(error)) throw error;
        return false;
      },
    );
  const setups = kept.setups.map(async ({ setupId, ...m }) =>
    setupId && (await here(setupId)) ? { ...m, setupId } : m,
  );
  return { ...kept, setups: await Promise.all(setups) };
}

/** Keeps a comparison that comes as a file. */
export function FromFile({ core, close }: { core: Core; close: () => void }) {
  const cache = useQueryClient();
  const navigate = useNavigate();
  const [kept, setKept] = useState<Kept | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [id] = useState(() => crypto.randomUUID());
  const read = async (file: File | undefined) => {
    const answer = file && core.comparison(await file.text());
    setKept(answer?.ok ?? null);
    setProblems(answer?.problems ?? []);
  };
  const keep = async (document: Kept) => {
    try {
      const row = await settled(client.POST("/api/comparisons", { body: { id, document: await atHome(document) } }));
      await changed(cache, "comparisons");
      close();
      navigate(`/compare/${row.id}`);
    } catch (error) {
      setProblems([{ path: "", what: error instanceof Error ? error.message : "The server does not answer." }]);
    }
  };
  return (
    <Modal title="Import a comparison" open onClose={close}>
      <input
        type="file"
        aria-label="File with a comparison"
        accept=".json,application/json"
        onChange={(e) => void read(e.currentTarget.files?.[0])}
      />
      <Told problems={problems} />
      {kept && (
        <p role="status">
          {kept.name}: {kept.setups.map((m) => m.document.name).join("; ") || "no setups"}.
        </p>
      )}
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Cancel
        </Button>
        <Button look="strong" isDisabled={!kept} onPress={() => kept && void keep(kept)}>
          Import
        </Button>
      </div>
    </Modal>
  );
}
