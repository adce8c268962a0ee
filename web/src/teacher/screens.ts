import { fetchedScreen } from '../ui/fetchedScreen.tsx'

// Only those who prepare, lead a lesson, compare answers or add up marks fetch what that needs.
export const Preparing = fetchedScreen('Preparing', () => import('./preparing/Preparing.tsx'))
export const FromPaperScreen = fetchedScreen('FromPaperScreen', () => import('./paper/FromPaperScreen.tsx'))
export const Room = fetchedScreen('Room', () => import('./room/Room.tsx'))
export const HelpedCopy = fetchedScreen('HelpedCopy', () => import('./room/HelpedCopy.tsx'))
export const AtTheFront = fetchedScreen('AtTheFront', () => import('./front/AtTheFront.tsx'))
export const FrontWindow = fetchedScreen('FrontWindow', () => import('./front/FrontWindow.tsx'))
export const Board = fetchedScreen('Board', () => import('./board/Board.tsx'))
export const Answers = fetchedScreen('Answers', () => import('./answers/Answers.tsx'))
export const ClassMarks = fetchedScreen('ClassMarks', () => import('./marksBook/ClassMarks.tsx'))
export const StudentMarks = fetchedScreen('StudentMarks', () => import('./marksBook/StudentMarks.tsx'))
export const HandoutMarks = fetchedScreen('HandoutMarks', () => import('./marksBook/HandoutMarks.tsx'))
export const WhatNext = fetchedScreen('WhatNext', () => import('./marksBook/WhatNext.tsx'))
