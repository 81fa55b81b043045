'use client';
import type { ChoiceResponse, ChoiceSheet } from '@/core/kinds/choice/choice';
import * as choice from '../choice/student';
import type { ReviewProps, StudentProps } from '../contract';

export function Student(props: StudentProps<ChoiceSheet, ChoiceResponse>) {
  return (
    <span className="slot-line in-line">
      <choice.Student {...props} />
    </span>
  );
}

export function Review({ sheet, response }: ReviewProps<ChoiceSheet, ChoiceResponse>) {
  const chosen = sheet.options.find(({ id }) => response?.chosen.includes(id));
  return (
    <span className="slot-line in-line">
      <span className="slot-box">{chosen ? chosen.text : <span className="soft">no answer</span>}</span>
    </span>
  );
}
