/** Invented people of the invented department. */
export const STAFF = [
  { userName: 'odalys', name: 'Odalys Ferreira', role: 'lead' },
  { userName: 'imre', name: 'Imre Vasko', role: 'teacher' },
  { userName: 'thandeka', name: 'Thandeka Mbele', role: 'teacher' },
  { userName: 'jonas', name: 'Jonas Lindqvist', role: 'teacher' },
  { userName: 'mirela', name: 'Mirela Petrescu', role: 'marker' },
] as const;

/** One password for the whole demo; it is printed when the demo starts. */
export const DEMO_PASSWORD = 'kestrel-ridge';

const NAMES = `Aino Virtala|Bram Oosterveld|Chiara Montefalco|Dawit Tesfamar|Élodie Garnonne|Farid Qasemi|Grzegorz Wójtowski|Hana Dvořičková
Ingrid Sæterdal|Jiho Bangsu|Katalin Őrsváry|Liam O'Dunnagh|Mei-Lin Tsaowei|Nnamdi Okerere|Óscar Villarrúa|Priya Ramanathir
Quang Hải Lương|Rania El-Shafeq|Søren Blakstrup|Tomáš Kovářský|Uchenna Adiole|Valentina Cordobés de la Fuente y Santisteban|Wiremu Tahuriki|Xiulan Mengzhou
Yusuf Karadeli|Zofia Brzezicka|أمينة الزهراوي|Björk Hallgrímsdal|Caoimhe Ní Dhonnagáin|Dmytro Halushenkiv|Eszter Nagyváti|Freya Thornbeck
Gideon Mwakasege|Hye-won Sodam|Ismaël N'Dombélé|Jasmijn van der Wolkenberg|Kwabena Asiedru|Lucía Peñarroja|Matteo D'Ambrevano|Nilufar Yoldasheva
Olumide Fashorun|Petra Žitňanská|Ravi|Saoirse Mac Giolla Bháin|Thuy|Ulla-Maija Korpisaari|Viggo Nordahlen|Wanjiru Kamotho
Ximena Quiropayo|Yael Ben-Tovim|Zeynep Gülçetin|יונתן אלמוגי|Anders Fjellvang|Beatriz Avelhã|Cédric Lavaudrin|Dilnoza Rahimberdi
Emeka Ozurumba|Fatoumata Diabirou|Goran Perkovčan|Hiroto Nagisawa|Isadora Plácida|Jürgen Weißenbach|Kalina Stoyanchev|Lwazi Ntshangaso
Maëlle Corbivier|Nadia Benslimar|Oksana Verbytska-Polonina|Paolo Serravento|Quintin Abernash|Rosalind Achterby|Sakari Pöyhtinen|Tadesse Woldemichel
Una Stefánsdal|Vikram Pillaisamy|Wout Hagendijk|Yevhen Sadovyk|Zanele Khuzwani|Åsa Bergholtz|Íñigo Urrutibeasca|Łucja Zielonczyk`;

/** Eighty students; the first ten letters of the name in plain Latin make the user name, or a number where there are none. */
export const STUDENTS = NAMES.split(/[|\n]/).map((name, i) => {
  const latin = name
    .normalize('NFD')
    .replace(/[^A-Za-z ]/g, '')
    .trim()
    .toLowerCase()
    .split(/\s+/);
  const userName = latin[0] ? [latin[0], latin[latin.length - 1]?.slice(0, 1) ?? ''].join('.') : `student${i + 1}`;
  return { userName, name };
});

/** 62 students take WT-201, 38 take WT-110; twenty take both. */
export const WT201 = STUDENTS.slice(0, 62);
export const WT110 = STUDENTS.slice(42, 80);

/** Every third student of the larger course learns for work at sea. */
export const subjectOf = (userName: string): 'Offshore' | 'Onshore' =>
  WT201.findIndex((one) => one.userName === userName) % 3 === 0 ? 'Offshore' : 'Onshore';
