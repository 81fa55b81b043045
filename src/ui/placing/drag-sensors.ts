'use client';
import { MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';

/** How a drag begins everywhere: a mouse by moving, a finger by resting first; one that moves at once scrolls the page. */
export function useDragSensors() {
  return useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
}
