import { changing, doing, nothing, reading } from '../call.ts'
import { habits as habitsTold } from '../habits.ts'
import { ownMail as ownMailTold } from '../mail.ts'
import { door as doorTold, person } from '../people.ts'

// Whoever is signed in, and whether the door is open: what every screen asks.

export const me = reading('everybody', '/me', person.nullable())
export const door = reading('everybody', '/door', doorTold)
export const signOut = doing('anybody', '/sign-out', nothing, nothing)
export const signOutEverywhere = doing('anybody', '/sign-out/everywhere', nothing, nothing)
export const habits = reading('anybody', '/habits', habitsTold)
export const changeHabits = changing('anybody', '/habits', habitsTold, nothing)
export const ownMail = reading('student', '/mail', ownMailTold)
