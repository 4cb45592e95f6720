import { Navigate, useNavigate } from "react-router";
import { Empty } from "../../ui/States";
import { lastBench } from "./lastOpened";

/** The bench without a setup: back to the last one, or to the lifters to pick one. */
export function EmptyBench() {
  const navigate = useNavigate();
  const last = lastBench();
  if (last) return <Navigate to={`/bench/${last}`} replace />;
  return (
    <Empty
      title="No setup is open"
      text="Pick a lifter and open one of their setups, or start a new one."
      action="Go to the lifters"
      onAction={() => navigate("/lifters")}
    />
  );
}
