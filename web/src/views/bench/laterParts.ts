import type { Component } from 'vue';
import { laterPart, wholePart, type Loader } from '../../components/laterPart';

const later = <T extends Component>(loader: Loader<T>) =>
  laterPart(loader, 'This part of the step', { also: 'What you entered is kept, and the clock runs on.' });

const cups = () => import('./CupsStep.vue');
const close = () => import('./CloseStep.vue');
const powder = () => import('./DustedPowder.vue');

/** What a run comes to late or seldom, with lists and boxes that no other step has. */
export const CupsStep = later(cups);
export const CloseStep = later(close);
export const DustedPowder = later(powder);
/** What the mix comes to while one waits for a temperature to pour at. */
export const LineChart = later(() => import('../../components/LineChart.vue'));

/** Fetches them before they are needed: by then the network may be gone. What cannot be had now is asked for then. */
export const fetchLaterParts = (): void =>
  void Promise.allSettled([wholePart(cups), wholePart(close), wholePart(powder)]);
