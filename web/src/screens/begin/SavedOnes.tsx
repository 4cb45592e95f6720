import { useState } from "react";
import type { StoredSetup } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { fitted } from "./fitted";
import { List, Pictured, type Props } from "./parts";
import { useLifterNames, useSavedSetups } from "./useSaved";

/** A setup that was saved for anybody, for this lifter's body. */
export function SavedOnes(props: Props) {
  const [wanted, setWanted] = useState("");
  const { saved, items, more } = useSavedSetups(wanted);
  return (
    <>
      {saved.isPending && <p role="status">Loading …</p>}
      {saved.error && <p role="alert">The saved setups could not be loaded.</p>}
      {saved.data && <TextInput label="Find" value={wanted} onChange={setWanted} />}
      <List>
        <Saved setups={items} {...props} />
        {saved.data && items.length === 0 && (
          <p>{wanted === "" ? "Nothing is saved yet." : "Nothing here is called that."}</p>
        )}
        {more > 0 && <p>and {more} more: search for them.</p>}
      </List>
    </>
  );
}

/** Saved setups, each with whose it is. */
export function Saved({ setups, ...props }: Props & { setups: StoredSetup[] }) {
  const whose = useLifterNames();
  const begin = (s: StoredSetup) =>
    void fitted({ ...s.document, lifter: props.lifter.body }, props.room)
      .then(props.pick)
      .then(props.close);
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
          <Button aria-label={`Begin: ${s.name}, ${whose(s.lifterId)}`} onPress={() => begin(s)}>
            Begin
          </Button>
        </Pictured>
      ))}
    </ul>
  );
}
