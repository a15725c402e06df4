import { planInTime, type PlanQuestion } from '@dewpond/core/bookings';

self.onmessage = ({ data }: MessageEvent<PlanQuestion>) => {
  planInTime(
    data,
    () => performance.now(),
    (answer) => self.postMessage(answer),
  );
};
