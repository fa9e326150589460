/** Whether an element can be seen: told when that changes. */
import type { Attachment } from 'svelte/attachments';

const takers = new WeakMap<Element, (isSeen: boolean) => void>();
let watching: IntersectionObserver | null = null;

const observer = (): IntersectionObserver =>
  (watching ??= new IntersectionObserver((entries) => {
    for (const { target, isIntersecting } of entries) takers.get(target)?.(isIntersecting);
  }));

export const watchSight =
  (take: (isSeen: boolean) => void): Attachment =>
  (element) => {
    takers.set(element, take);
    observer().observe(element);
    return () => {
      observer().unobserve(element);
      takers.delete(element);
    };
  };
