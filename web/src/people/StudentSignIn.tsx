import { CALLS, type ClassList } from '@hand-back/core'
import { useState } from 'react'
import { ask } from '../api/ask.ts'
import { Button } from '../ui/Button.tsx'
import { Field, INPUT } from '../ui/Field.tsx'
import { RequestForm } from '../ui/RequestForm.tsx'
import { TextButton } from '../ui/TextButton.tsx'
import { useAct } from '../ui/useAct.ts'
import { AskToJoin } from './AskToJoin.tsx'
import { signInBy } from './welcome.ts'

/** Three short steps: the class, the name, the PIN. */
export function StudentSignIn() {
  const [code, setCode] = useState('')
  const [list, setList] = useState<ClassList>()
  const [student, setStudent] = useState<{ id: string; name: string }>()
  const [isNew, setIsNew] = useState(false)

  if (list && isNew)
    return (
      <div className="flex flex-col gap-3">
        <AskToJoin code={code} className={list.className} />
        <TextButton onClick={() => setIsNew(false)}>I am on the list</TextButton>
      </div>
    )
  if (list && student) return <PinStep code={code} student={student} onBack={() => setStudent(undefined)} />
  if (list)
    return (
      <NameStep
        list={list}
        onPick={setStudent}
        onNew={() => setIsNew(true)}
        onBack={() => setList(undefined)}
      />
    )
  return <CodeStep code={code} onCode={setCode} onList={setList} />
}

function CodeStep({
  code,
  onCode,
  onList,
}: {
  code: string
  onCode: (code: string) => void
  onList: (list: ClassList) => void
}) {
  const { run, busy, problem } = useAct(async () => onList(await ask(CALLS.signInClass, {}, { code })))
  return (
    <RequestForm
      form={{ submit: run, refused: problem, busy }}
      send="Next"
      ready={code.trim().length >= 4}
      large
    >
      <h2 className="text-2xl">Which class?</h2>
      <Field
        label="Class code"
        autoComplete="off"
        autoCapitalize="characters"
        spellCheck={false}
        maxLength={20}
        value={code}
        onChange={(event) => onCode(event.target.value)}
        hint="Six letters and numbers, from your teacher."
        style={{ fontSize: '1.375rem', letterSpacing: '0.12em', textTransform: 'uppercase' }}
      />
    </RequestForm>
  )
}

function NameStep({
  list,
  onPick,
  onNew,
  onBack,
}: {
  list: ClassList
  onPick: (student: { id: string; name: string }) => void
  onNew: () => void
  onBack: () => void
}) {
  return (
    <div className="flex flex-col gap-4">
      <h2 className="text-2xl">{list.className}: who are you?</h2>
      <ul className="grid max-h-[46vh] grid-cols-2 gap-2 overflow-y-auto p-1 max-[400px]:grid-cols-1">
        {list.students.map((student) => (
          <li key={student.id}>
            <Button large className="w-full !justify-start text-left" onClick={() => onPick(student)}>
              {student.name}
            </Button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-x-6">
        <TextButton onClick={onNew}>I am not on the list</TextButton>
        <TextButton onClick={onBack}>Another class</TextButton>
      </div>
    </div>
  )
}

function PinStep({
  code,
  student,
  onBack,
}: {
  code: string
  student: { id: string; name: string }
  onBack: () => void
}) {
  const [pin, setPin] = useState('')
  const { run, busy, problem } = useAct(() =>
    signInBy(CALLS.signInStudent, { code, student: student.id, pin }),
  )
  return (
    <>
      <RequestForm
        form={{ submit: run, refused: problem, busy }}
        send="Come in"
        ready={pin.length === 4}
        large
      >
        <h2 className="text-2xl">Hello, {student.name}</h2>
        <label className="flex flex-col gap-1 font-semibold">
          Your PIN
          <input
            // biome-ignore lint/a11y/noAutofocus: the only thing to do on this step
            autoFocus
            type="password"
            inputMode="numeric"
            autoComplete="off"
            maxLength={4}
            pattern="[0-9]{4}"
            value={pin}
            onChange={(event) => setPin(event.target.value.replace(/\D/g, ''))}
            className={`${INPUT} !w-40 text-center text-3xl tracking-[0.4em]`}
          />
        </label>
      </RequestForm>
      <TextButton onClick={onBack}>That’s not me</TextButton>
    </>
  )
}
