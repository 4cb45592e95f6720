import { useQuery } from "@tanstack/react-query";
import { NavLink, useParams } from "react-router";
import { core } from "../../engine/core";
import { ListPage } from "../../ui/ListPage";
import { Empty, Failed, Loading } from "../../ui/States";
import { useLifters } from "../begin/useSaved";
import { useSetupsOf } from "./ForLifter";
import { MeasureSheet } from "./MeasureSheet";

/** What can be measured for a lifter, beside the list of lifters. */
export function MeasureScreen() {
  const { id } = useParams();
  const lifters = useLifters();
  const items = lifters.data?.items ?? [];
  const open = items.find((l) => l.id === id);
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  const setups = useSetupsOf(open?.id);
  if (lifters.isPending) return <Loading what="Loading the lifters" />;
  if (lifters.error || started.error) {
    return (
      <Failed
        what="The lifters could not be loaded."
        why={lifters.error ? "The server does not answer." : "The calculation core did not load."}
        again={() => void (lifters.error ? lifters : started).refetch()}
      />
    );
  }
  return (
    <ListPage data-open={!!open} data-narrow="true">
      <aside>
        <div className="head">
          <h1>Measure</h1>
        </div>
        <ul>
          {items.map((l) => (
            <li key={l.id}>
              <NavLink to={`/measure/${l.id}`}>{l.name}</NavLink>
            </li>
          ))}
        </ul>
      </aside>
      <section>
        {!open ? (
          <Empty
            title={items.length === 0 ? "No lifters yet" : "Pick a lifter"}
            text="Numbers are as good as what goes into them. Here you see what is worth measuring first, and measure it."
          />
        ) : !started.data || setups.isPending ? (
          <Loading what="Looking at the setups" />
        ) : (
          <MeasureSheet key={open.id} core={started.data} lifter={open} setups={setups.data?.items ?? []} />
        )}
      </section>
    </ListPage>
  );
}
