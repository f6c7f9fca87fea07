import Button from "@mui/material/Button";
import { lazy, type ReactNode, useEffect } from "react";
import { keys } from "./keys";
import { onBar } from "./theme";
import { useSession, useSignIn } from "./useSession";

const SignIn = lazy(() => import("./SignIn").then((file) => ({ default: file.SignIn })));

/** Untouched for so long, a till is locked. */
const IDLE_MS = 15 * 60 * 1000;
const TOUCHES = ["keydown", "pointerdown"] as const;

/** Shows the counter to whoever is signed in, and the question who it is to everybody else. */
export function Till({ children }: { children: ReactNode }) {
  const { data: session, isPending } = useSession();
  const { leave } = useSignIn();
  const signedIn = Boolean(session?.person);
  const lock = leave.mutate;
  useEffect(() => {
    if (!signedIn) return undefined;
    let timer = setTimeout(lock, IDLE_MS);
    const touched = (event: Event) => {
      clearTimeout(timer);
      timer = setTimeout(lock, IDLE_MS);
      if (event instanceof KeyboardEvent && event.key === keys.lock.key) lock();
    };
    TOUCHES.forEach((touch) => addEventListener(touch, touched));
    return () => {
      clearTimeout(timer);
      TOUCHES.forEach((touch) => removeEventListener(touch, touched));
    };
  }, [signedIn, lock]);
  if (isPending) return null;
  return session?.sign_in && !session.person ? <SignIn session={session} /> : children;
}

/** Who is signed in, and the way out. */
export function WhoIsIn() {
  const { data: session } = useSession();
  const { leave } = useSignIn();
  if (!session?.person) return null;
  return <Button size="small" sx={{ color: onBar }} onClick={() => leave.mutate()} aria-label={`${session.person.name}: lock the till`}>{session.person.name} · lock ({keys.lock.key})</Button>;
}
