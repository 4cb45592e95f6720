import { useQuery } from "@tanstack/react-query";
import { NavLink, useParams } from "react-router";
import { asked } from "../../api/client";
import { ListPage } from "../../ui/ListPage";
import { Empty, Failed, Loading } from "../../ui/States";
import { useLifters } from "../begin/useSaved";
import { ProgressSheet } from "./ProgressSheet";

/** What the sessions of a lifter come to, beside the list of lifters. */
export function ProgressScreen() {
  const { id } = useParams();
  const lifters = useLifters();
  const items = lifters.data?.items ?? [];
  const open = items.find((l) => l.id === id);
  const progress = useQuery({
    ...asked("get", "/api/lifters/{id}/progress", { params: { path: { id: id ?? "" } } }),
    enabled: !!open,
  });
  if (lifters.isPending) return <Loading what="Loading the lifters" />;
  if (lifters.error)
    return (
      <Failed
        what="The lifters could not be loaded."
        why="The server does not answer."
        again={() => void lifters.refetch()}
      />
    );
  return (
    <ListPage data-open={!!open} data-narrow="true">
      <aside>
        <div className="head">
          <h1>Progress</h1>
        </div>
        <ul>
          {items.map((l) => (
            <li key={l.id}>
              <NavLink to={`/progress/${l.id}`}>{l.name}</NavLink>
            </li>
          ))}
        </ul>
      </aside>
      <section>
        {!open ? (
          <Empty
            title={items.length === 0 ? "No lifters yet" : "Pick a lifter"}
            text="What was logged stands here over the weeks: how strong each exercise shows them, and what each muscle got."
          />
        ) : progress.error ? (
          <Failed
            what="The progress could not be loaded."
            why="The server does not answer."
            again={() => void progress.refetch()}
          />
        ) : !progress.data ? (
          <Loading what="Adding up the sessions" />
        ) : progress.data.series.length === 0 ? (
          <Empty
            title={`Nothing logged for ${open.name} yet`}
            text="Log a day of a plan: the first chart stands here after two days of one exercise."
          />
        ) : (
          <ProgressSheet key={open.id} lifter={open} progress={progress.data} />
        )}
      </section>
    </ListPage>
  );
}
