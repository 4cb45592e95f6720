import { useQuery } from "@tanstack/react-query";
import { client, settled } from "../../api/client";

/** Whether the server has stopped answering, asked every few seconds. */
export function useServerAway(): boolean {
  const health = useQuery({
    queryKey: ["health"],
    queryFn: () => settled(client.GET("/api/health")),
    refetchInterval: 5000,
    retry: false,
  });
  return health.isError;
}
