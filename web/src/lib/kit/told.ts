/** One observer of the browser for all elements that are to be told the same thing of themselves. */
import type { Attachment } from 'svelte/attachments';

interface Observer {
  observe(element: Element): void;
  unobserve(element: Element): void;
}

/** @param begin makes the observer, once somebody wants to be told; it tells an element what is so now */
export function told<V>(
  begin: (tell: (element: Element, now: V) => void) => Observer,
): (take: (now: V) => void) => Attachment {
  const takers = new WeakMap<Element, (now: V) => void>();
  let watching: Observer | null = null;
  return (take) => (element) => {
    const observer = (watching ??= begin((one, now) => takers.get(one)?.(now)));
    takers.set(element, take);
    observer.observe(element);
    return () => {
      observer.unobserve(element);
      takers.delete(element);
    };
  };
}
