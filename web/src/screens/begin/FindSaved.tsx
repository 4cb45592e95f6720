import { type ReactNode, useState } from "react";
import type { StoredSetup } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { TextInput } from "../../ui/Field";
import { List, Pictured } from "./parts";
import { useLifterNames, useSavedSetups } from "./useSaved";

/** What can be done with a saved setup of somebody. */
export type ForSaved = (s: StoredSetup, whose: string) => ReactNode;

/** The saved setups of everybody, found by their names. */
export function FindSaved({ none, action }: { none: string; action: ForSaved }) {
  const [wanted, setWanted] = useState("");
  const { saved, items, more } = useSavedSetups(wanted);
  return (
    <>
      {saved.isPending && <p role="status">Loading …</p>}
      {saved.error && <p role="alert">The saved setups could not be loaded.</p>}
      {saved.data && <TextInput label="Find" value={wanted} onChange={setWanted} />}
      <List>
        <Saved setups={items} action={action} />
        {saved.data && items.length === 0 && <p>{wanted === "" ? none : "No setup has that name."}</p>}
        {more > 0 && <p>and {more} more: search for them.</p>}
      </List>
    </>
  );
}

/** Saved setups, each with whose it is. */
export function Saved({ setups, action }: { setups: StoredSetup[]; action: ForSaved }) {
  const whose = useLifterNames();
  return (
    <ul>
      {setups.map((s) => (
        <Pictured key={s.id}>
          <span className="picture">
            <SetupPicture document={s.document} width={72} height={54} />
          </span>
          <span>
            {s.name}
            <small>{whose(s.lifterId)}</small>
          </span>
          {action(s, whose(s.lifterId))}
        </Pictured>
      ))}
    </ul>
  );
}
