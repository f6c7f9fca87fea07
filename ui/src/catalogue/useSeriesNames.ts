import { useQuery } from "@tanstack/react-query";
import { api, told } from "../api/client";
import type { components } from "../api/schema";

/** Every series of the catalogue, by name. */
export const useSeriesNames = (): components["schemas"]["SeriesSummary"][] =>
  useQuery({ queryKey: ["catalogue"], queryFn: () => told(api.GET("/api/catalogue")) }).data ?? [];
