// For hands that are busy: the step read aloud on request, and a screen that stays awake while the work goes on.
import { useEffect, useState } from "react";

export function Handy({ text, awake }: { readonly text: string; readonly awake: boolean }) {
  const [speaks, setSpeaks] = useState(false);
  const [aloud, setAloud] = useState(false);
  // Whether there is a voice is known in the browser alone.
  useEffect(() => setSpeaks("speechSynthesis" in window), []);
  useEffect(() => {
    if (!aloud) return;
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
    return () => window.speechSynthesis.cancel();
  }, [aloud, text]);
  useEffect(() => {
    if (!awake || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const take = () =>
      document.visibilityState === "visible" &&
      navigator.wakeLock.request("screen").then(
        (had) => {
          if (over) had.release();
          else lock = had;
        },
        // Refused, as with a low battery: the screen does what it always does.
        () => {},
      );
    take();
    // A page that was hidden has lost it.
    document.addEventListener("visibilitychange", take);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", take);
      lock?.release();
    };
  }, [awake]);
  if (!speaks) return null;
  return (
    <button
      type="button"
      className="link mt-1 text-sm"
      aria-pressed={aloud}
      data-key="a"
      onClick={() => setAloud(!aloud)}
    >
      {aloud ? "Stop reading aloud" : "Read steps aloud"}
    </button>
  );
}
