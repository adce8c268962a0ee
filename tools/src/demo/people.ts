/** The made-up people of Saltmarsh School. */
export const TEACHER = { name: 'Marit Abara', password: 'low tide at noon' }

export const CLASS_NAME = 'Curlew class'

export const STUDENTS = [
  'Ottoline Adeyemi',
  'Bram Castellanos',
  'Sunniva Dahl',
  'Ilja Egorov',
  'Noor Farrant',
  'Kofi Grünwald',
  'Maeve Hossain',
  'Teodor Iqbal',
  'Pia Jankauskas',
  'Rafi Kowal',
  'Lotte Lindqvist',
  'Amaru Mensah',
  'Iris Novotná',
  'Emre Okafor',
  'Wanda Petrov',
  'Yusuf Quispe',
  'Zélie Rahman',
  'Hanno Sørensen',
  'Aylin Tamm',
  'Diego Unger',
  'Freya Vasquez',
  'Jonas Wairimu',
  'Mila Yamada',
  'Sefa Zieliński',
] as const
