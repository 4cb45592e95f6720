import { Component, type ReactNode } from "react";
import { Button } from "./Button";
import { FailedBox } from "./States";

type Props = { place: string; children: ReactNode };

/** Catches what should never happen, so that a mistake of the page costs no work: the draft is in the browser. */
export class ErrorBoundary extends Component<Props, { error: Error | null }> {
  override state: { error: Error | null } = { error: null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override componentDidUpdate(before: Props) {
    if (before.place !== this.props.place && this.state.error) this.setState({ error: null });
  }

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    return (
      <FailedBox role="alert">
        <h1>This screen failed.</h1>
        <p>What you changed is kept in this browser. ({error.message})</p>
        <div className="actions">
          <Button look="strong" onPress={() => location.reload()}>
            Load it again
          </Button>
          <Button onPress={() => location.assign("/lifters")}>Go to the lifters</Button>
        </div>
      </FailedBox>
    );
  }
}
