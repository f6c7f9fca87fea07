import { useQuery } from "@tanstack/react-query";
import { api, told } from "./client";

export const useVocabulary = () =>
  useQuery({ queryKey: ["vocabulary"], queryFn: () => told(api.GET("/api/vocabulary")), staleTime: Infinity });

export const useCustomers = () =>
  useQuery({ queryKey: ["customers"], queryFn: () => told(api.GET("/api/customers")), staleTime: 60_000 });

export const useOrders = () =>
  useQuery({ queryKey: ["orders"], queryFn: () => told(api.GET("/api/orders")) });

export const useOrder = (id: number) =>
  useQuery({
    queryKey: ["orders", id],
    queryFn: () => told(api.GET("/api/orders/{id}", { params: { path: { id } } })),
    retry: false,
  });

export const useOpenTickets = () =>
  useQuery({ queryKey: ["tickets"], queryFn: () => told(api.GET("/api/tickets")) });

export const useSightings = () =>
  useQuery({ queryKey: ["sightings"], queryFn: () => told(api.GET("/api/sightings")) });
