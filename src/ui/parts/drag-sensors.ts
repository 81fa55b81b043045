'use client';
import { KeyboardSensor, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';

/**
 * How a drag begins everywhere: a mouse by moving, a finger by resting first; one that moves at once scrolls the page.
 * `byKeys`: by Space on what is dragged, too, then with the arrows.
 */
export function useDragSensors(byKeys = false) {
  const mouse = useSensor(MouseSensor, { activationConstraint: { distance: 5 } });
  const finger = useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } });
  const keys = useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates });
  return useSensors(mouse, finger, byKeys ? keys : null);
}
