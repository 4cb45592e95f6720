import { useState } from "react";
import { SetupPicture } from "../../figure/SetupPicture";
import { TextInput } from "../../ui/Field";
import { List, Pictured } from "../begin/parts";
import { useLifterNames, useSavedSetups } from "../begin/useSaved";
import { AddOne, type Finding } from "./AddSetups";

/** The saved setups, with whose they are. */
export function SavedToCompare(finding: Finding) {
  const [wanted, setWanted] = useState("");
  const { saved, items, more } = useSavedSetups(wanted);
  const whose = useLifterNames();
  return (
    <>
      {saved.isPending && <p role="status">Loading …</p>}
      {saved.error && <p role="alert">The saved setups could not be loaded.</p>}
      {saved.data && <TextInput label="Find" value={wanted} onChange={setWanted} />}
      <List>
        <ul>
          {items.map((s) => (
            <Pictured key={s.id}>
              <span className="picture">
                <SetupPicture document={s.document} width={72} height={54} />
              </span>
              <span>
                {s.name}
                <small>{whose(s.lifterId)}</small>
              </span>
              <AddOne {...finding} member={{ document: s.document, setupId: s.id }} />
            </Pictured>
          ))}
        </ul>
        {saved.data && items.length === 0 && (
          <p>{wanted === "" ? "Nothing is saved yet: begin a setup with a lifter." : "Nothing here is called that."}</p>
        )}
        {more > 0 && <p>and {more} more: search for them.</p>}
      </List>
    </>
  );
}
