import { useQuery } from "@tanstack/react-query";
import { Ellipsis } from "lucide-react";
import { useDeferredValue, useState } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import { asked, Refused } from "../../api/client";
import { core } from "../../engine/core";
import type { StoredLifter } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { ListPage } from "../../ui/ListPage";
import { Menu } from "../../ui/Menu";
import { Empty, Failed, Loading } from "../../ui/States";
import { AddLifter } from "./AddLifter";
import { ImportLifters } from "./ImportLifters";
import { LifterSheet } from "./LifterSheet";

const most = 200;

/** The coach's lifters; one of them open with their setups. */
export function LiftersScreen() {
  const { id } = useParams();
  const navigate = useNavigate();
  const [adding, setAdding] = useState<"one" | "file" | null>(null);
  const [archived, setArchived] = useState(false);
  const [words, setWords] = useState("");
  const q = useDeferredValue(words);
  const list = useQuery({
    ...asked("get", "/api/lifters", { params: { query: { limit: most, archived, q } } }),
    placeholderData: (before) => before,
  });
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  if (list.isPending) return <Loading what="Loading the lifters" />; // the core may still be on its way
  if (list.error || started.error) {
    return (
      <Failed
        what="The lifters could not be loaded."
        why={list.error ? "The server does not answer." : "The calculation core did not load."}
        again={() => void (list.error ? list : started).refetch()}
      />
    );
  }
  const { total } = list.data;
  const items = list.data.items ?? [];
  const none = items.length === 0 && words === "" && !archived;
  const actions = [
    { label: "Import lifters", run: () => setAdding("file") },
    { label: "Export all (JSON)", run: () => window.open("/api/lifters/export?format=json", "_self") },
    { label: "Export all (CSV)", run: () => window.open("/api/lifters/export?format=csv", "_self") },
    {
      label: archived ? "Show current lifters" : "Show archived lifters",
      run: () => setArchived(!archived),
    },
  ];
  return (
    <ListPage data-open={!!id}>
      <aside>
        <div className="head">
          <h1>{archived ? "Archived" : "Lifters"}</h1>
          <span>
            <Menu label="More about the list" actions={actions}>
              <Ellipsis size={15} aria-hidden />
            </Menu>
            <Button onPress={() => setAdding("one")}>Add</Button>
          </span>
        </div>
        {(total > 8 || words !== "") && <TextInput label="Find" value={words} onChange={setWords} />}
        <List items={items} />
        {items.length < total && <p>and {total - items.length} more: search for them.</p>}
        {items.length === 0 && !none && <p>{words === "" ? "No lifter is archived." : "No lifter has that name."}</p>}
      </aside>
      <section>
        {id ? (
          <Open key={id} id={id} listed={items.find((l) => l.id === id)} />
        ) : none ? (
          <Empty
            title="No lifters yet"
            text="Height and body mass are enough to start; measurements can come later."
            action="Add a lifter"
            onAction={() => setAdding("one")}
          />
        ) : (
          <Empty title="Pick a lifter" text="Their setups, measurements and strength are on their sheet." />
        )}
      </section>
      {adding === "one" && <AddLifter close={() => setAdding(null)} done={(l) => navigate(`/lifters/${l.id}`)} />}
      {adding === "file" && <ImportLifters close={() => setAdding(null)} />}
    </ListPage>
  );
}

function List({ items }: { items: StoredLifter[] }) {
  const units = useUnits();
  return (
    <ul>
      {items.map((l) => (
        <li key={l.id}>
          <NavLink to={`/lifters/${l.id}`}>
            {l.name}
            <small className="mono">
              {units.text(l.body.height, "length")}, {units.text(l.body.bodyMass, "mass", 0)}
            </small>
          </NavLink>
        </li>
      ))}
    </ul>
  );
}

/** The sheet of a lifter, who need not be among those listed. */
function Open({ id, listed }: { id: string; listed: StoredLifter | undefined }) {
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  const own = useQuery({
    ...asked("get", "/api/lifters/{id}", { params: { path: { id } } }),
    initialData: listed,
    retry: (n, error) => !(error instanceof Refused) && n < 1,
  });
  if (own.error && !own.data) {
    return <Empty title="There is no such lifter" text="They may have been deleted." />;
  }
  if (!own.data || !started.data) return <Loading what="Loading the lifter" />;
  return <LifterSheet core={started.data} lifter={own.data} />;
}
