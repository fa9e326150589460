/** Whether an element can be seen: told when that changes. */
import { told } from './told';

export const watchSight = told<boolean>(
  (tell) =>
    new IntersectionObserver((entries) => {
      for (const { target, isIntersecting } of entries) tell(target, isIntersecting);
    }),
);
