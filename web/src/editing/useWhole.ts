import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { changed, type Kind } from "../api/changed";
import { notify } from "../ui/Notices";

type Whole = {
  name: string;
  kind: Kind;
  /** Where such documents are listed; an open one has its id after that. */
  home: string;
  /** Stores a copy under a name. */
  copyAs: (name: string) => Promise<{ id: string }>;
  remove: () => Promise<unknown>;
  restore: () => Promise<unknown>;
};

/** What is done with a document as a whole: copied, and deleted with a way back. */
export function useWhole({ name, kind, home, copyAs, remove, restore }: Whole) {
  const cache = useQueryClient();
  const navigate = useNavigate();
  return {
    copy: async () => {
      try {
        const row = await copyAs(`${name}, copy`.slice(0, 200));
        await changed(cache, kind);
        navigate(`${home}/${row.id}`);
      } catch {
        notify("The copy could not be made; nothing was changed.");
      }
    },
    remove: async () => {
      try {
        await remove();
        navigate(home);
        await changed(cache, kind);
        notify(`${name} was deleted.`, {
          label: "Undo",
          run: () => void restore().then(() => changed(cache, kind)),
        });
      } catch {
        notify("It could not be deleted: it was changed elsewhere, or the server does not answer.");
      }
    },
  };
}
