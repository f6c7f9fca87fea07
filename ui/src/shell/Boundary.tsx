import Button from "@mui/material/Button";
import { Component, type ReactNode, useEffect, useState } from "react";
import { Page } from "./Page";

/** What browsers say of a part of the page that cannot be fetched. */
const NOT_LOADED = /dynamically imported module|importing a module script|ChunkLoadError/i;

type Reason = "replaced" | "gone" | "missing";

/** Why a part was not fetched: the server's page begins with another script than this one did, the server does not answer, or neither. */
async function reasonFor(): Promise<Reason> {
  const own = document.querySelector<HTMLScriptElement>("script[type=module][src]")?.getAttribute("src") ?? "";
  const page = await fetch("/").then((answer) => (answer.ok ? answer.text() : null), () => null);
  if (page === null) return "gone";
  return page.includes(own) ? "missing" : "replaced";
}

const ASK_AGAIN_MS = 1000;

/** The next version was put in place while this page was open, or the part could not be fetched. It comes by itself once a server that was gone answers. */
function NotLoaded() {
  const [reason, setReason] = useState<Reason | null>(null);
  useEffect(() => void reasonFor().then(setReason), []);
  useEffect(() => {
    if (reason !== "gone") return;
    const timer = setInterval(() => void reasonFor().then((now) => now !== "gone" && location.reload()), ASK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [reason]);
  if (reason === null) return null;
  const fresh = reason === "replaced";
  return (
    <Page title="Load again" headed kind="text">
      <h1>{fresh ? "A new version is here" : "This part could not be loaded"}</h1>
      <p>{fresh ? "Gimlet was brought up to date while this page was open." : "Gimlet did not answer for it."} What you typed is kept.</p>
      <Button variant="contained" autoFocus onClick={() => location.reload()}>{fresh ? "Load the new version" : "Try again"}</Button>
    </Page>
  );
}

function Broken({ text }: { text: string }) {
  return (
    <Page title="Something went wrong" headed kind="text">
      <h1>This page cannot be shown</h1>
      <p>Something went wrong while it was drawn ({text.slice(0, 200)}). Nothing was changed, and what you typed is kept. Load it again; if it stays, tell whoever looks after Gimlet here, and go on at another place in the bar.</p>
      <Button variant="contained" autoFocus onClick={() => location.reload()}>Load it again</Button>
    </Page>
  );
}

interface Props {
  /** Another place is another try. */
  place: string;
  children: ReactNode;
}

/** Round each place: what fails in it is said there, and every other place goes on. */
export class Boundary extends Component<Props, { error: Error | null; at: string }> {
  state: { error: Error | null; at: string } = { error: null, at: this.props.place };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  static getDerivedStateFromProps({ place }: Props, { at }: { at: string }) {
    return place === at ? null : { error: null, at: place };
  }

  render() {
    const { error } = this.state;
    if (error === null) return this.props.children;
    return NOT_LOADED.test(error.message) ? <NotLoaded /> : <Broken text={error.message} />;
  }
}
