import { useQuery } from "@tanstack/react-query";
import { asked } from "../../api/client";

/** Whether the server has stopped answering, asked every few seconds. */
export function useServerAway(): boolean {
  const health = useQuery({
    ...asked("get", "/api/health"),
    refetchInterval: 5000,
    retry: false,
  });
  return health.isError;
}
