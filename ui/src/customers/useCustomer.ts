import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { useStale } from "../api/stale";

export type CustomerFile = components["schemas"]["CustomerFile"];
export type CustomerPump = CustomerFile["pumps"][number];

export const useCustomerFile = (id: number | null) =>
  useQuery({
    queryKey: ["customers", id],
    queryFn: () => told(api.GET("/api/customers/{id}", { params: { path: { id: id! } } })),
    enabled: id !== null,
    retry: false,
  });

/** Whatever changes a customer's file answers with it as it is then. */
export function useFileChange<Body>(change: (body: Body) => Promise<CustomerFile>) {
  const cache = useQueryClient();
  const stale = useStale();
  return useMutation({
    mutationFn: change,
    onSuccess: (file) => {
      stale("customer");
      cache.setQueryData(["customers", file.id], file);
    },
  });
}
