// Links for long lists: plain anchors and one listener for the page. The framework’s own link costs ten times as much to draw, which shows on a wall of hundreds.
import { type AnchorHTMLAttributes, useEffect } from "react";
import { useNavigate } from "react-router";

export function Go({ to, ...rest }: Omit<AnchorHTMLAttributes<HTMLAnchorElement>, "href"> & { to: string }) {
  return <a data-go={to.startsWith("#") ? undefined : ""} href={to} {...rest} />;
}

/** Follows the `Go` links of a page, and all links inside of what is marked `data-go`. What the browser would open elsewhere (another tab, another key held) it opens. */
export function useGoing(): void {
  const navigate = useNavigate();
  useEffect(() => {
    const follow = (event: MouseEvent) => {
      const plain = event.button === 0 && !(event.metaKey || event.ctrlKey || event.shiftKey || event.altKey);
      if (!plain || event.defaultPrevented || !(event.target instanceof Element)) return;
      const link = event.target.closest("a");
      if (!link?.closest("[data-go]")) return;
      event.preventDefault();
      navigate(link.getAttribute("href") ?? "", { preventScrollReset: link.closest("[data-stay]") !== null });
    };
    document.addEventListener("click", follow);
    return () => document.removeEventListener("click", follow);
  }, [navigate]);
}
