import { contentFromText } from '@/core/content/written';
import type { Installation } from '@/server/people/install';
import { type DepartmentPolicy, FIRST_POLICY } from '@/server/people/policy';
import { DEMO_PASSWORD, STAFF, STUDENTS, WT110, WT201 } from './people';

const policy: DepartmentPolicy = {
  ...FIRST_POLICY,
  ranges: [
    { from: '0', text: contentFromText('Not passed yet: [score] of [total]. Start again with [weakest section].') },
    { from: '50', text: contentFromText('Passed with [score] of [total]. Look again at [weakest section].') },
    { from: '70', text: contentFromText('Good work: [percent]. Your best section was [best section].') },
    { from: '85', text: contentFromText('Excellent: [percent].') },
  ],
};

export const installation: Installation = {
  name: 'Wind Energy Technology',
  institute: 'Kestrel Ridge Institute',
  policy,
  people: [
    ...STAFF,
    ...STUDENTS.map((s) => ({ ...s, role: 'student' as const, email: `${s.userName}@students.kestrel-ridge.example` })),
  ].map((p) => ({
    ...p,
    password: DEMO_PASSWORD,
  })),
  courses: [
    {
      code: 'WT-201',
      title: 'Turbine systems',
      term: 'autumn',
      staff: ['imre', 'thandeka', 'mirela'],
      students: WT201.map((s) => s.userName),
    },
    {
      code: 'WT-110',
      title: 'Working at height',
      term: 'autumn',
      staff: ['jonas', 'mirela'],
      students: WT110.map((s) => s.userName),
    },
  ],
  banks: [
    {
      name: 'Turbine systems',
      share: 'department',
      owner: 'odalys',
      topics: [
        { name: 'First principles', lookAgain: 'Handbook, chapters 1 and 2, with the worked examples at their ends' },
        { name: 'Energy in the wind', parent: 'First principles' },
        { name: 'Lift and drag', parent: 'First principles' },
        { name: 'Rotor', lookAgain: 'Handbook, chapter 4: https://kestrel-ridge.example/handbook/rotor' },
        { name: 'Drive train', lookAgain: 'The exploded drawing in the workshop, and your notes of week 6' },
        { name: 'Electrical' },
        { name: 'Site and weather' },
        { name: 'Safety and rescue' },
        { name: 'Parts and procedures' },
        { name: 'Workshop' },
      ],
    },
    {
      name: 'Height and rescue',
      share: 'named',
      owner: 'jonas',
      named: ['odalys'],
      topics: [
        { name: 'Harness and ladder' },
        { name: 'Rescue', lookAgain: 'The film of the second training day; ask Jonas for the harness card' },
        { name: 'Step by step' },
        { name: 'Open day' },
      ],
    },
    ...STAFF.filter((s) => s.role !== 'marker').map((s) => ({
      name: `${s.name.split(' ')[0]}, private`,
      share: 'private' as const,
      owner: s.userName,
      topics: [],
    })),
  ],
};
