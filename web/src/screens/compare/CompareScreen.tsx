import { useQuery } from "@tanstack/react-query";
import { FileUp } from "lucide-react";
import { useState } from "react";
import { NavLink, useParams, useSearchParams } from "react-router";
import { asked } from "../../api/client";
import { core } from "../../engine/core";
import { usePicked } from "../../state/picked";
import { Button } from "../../ui/Button";
import { ListPage } from "../../ui/ListPage";
import { Empty, Failed, Loading } from "../../ui/States";
import { FromFile } from "./FromFile";
import { KeptComparison } from "./KeptComparison";
import { Picked } from "./Picked";

const setups = (n: number) => (n === 1 ? "one setup" : `${n === 0 ? "no" : n} setups`);

/** What is picked for comparing, and the comparisons that are kept. */
export function CompareScreen() {
  const { id } = useParams();
  const [search] = useSearchParams();
  const now = usePicked();
  const [reading, setReading] = useState(false);
  const list = useQuery(asked("get", "/api/comparisons", { params: { query: { limit: 200 } } }));
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  if (started.isPending) return <Loading what="Loading the calculation core" />;
  if (started.error)
    return (
      <Failed what="The calculation did not load." why={started.error.message} again={() => void started.refetch()} />
    );
  const items = list.data?.items ?? [];
  const open = items.find((c) => c.id === id);
  return (
    <ListPage data-open={!search.has("all")} data-narrow>
      <aside>
        <div className="head">
          <h1>Compare</h1>
          <Button look="quiet" aria-label="Import a comparison" onPress={() => setReading(true)}>
            <FileUp size={16} aria-hidden />
          </Button>
        </div>
        <ul>
          <li>
            <NavLink to="/compare" end>
              {now.name}
              <small>{setups(now.setups.length)}, not kept yet</small>
            </NavLink>
          </li>
          {items.map((c) => (
            <li key={c.id}>
              <NavLink to={`/compare/${c.id}`}>
                {c.name}
                <small>{setups(c.document.setups.length)}</small>
              </NavLink>
            </li>
          ))}
        </ul>
        {list.error && <p role="alert">The saved comparisons could not be loaded: the server does not answer.</p>}
      </aside>
      <section>
        {!id && <Picked />}
        {open && <KeptComparison key={open.id} core={started.data} stored={open} />}
        {id && !open && list.isPending && <Loading what="Loading the comparison" />}
        {id && !open && list.error && (
          <Failed
            what="The comparison could not be loaded."
            why="The server does not answer."
            again={() => void list.refetch()}
          />
        )}
        {id && !open && list.data && <Empty title="There is no such comparison" text="It may have been deleted." />}
      </section>
      {reading && <FromFile core={started.data} close={() => setReading(false)} />}
    </ListPage>
  );
}
