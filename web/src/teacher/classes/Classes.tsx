import { CALLS, newClass } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Field } from '../../ui/Field.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { RequestForm } from '../../ui/RequestForm.tsx'
import { useRequestForm } from '../../ui/useRequestForm.ts'
import { asked } from '../asked.ts'

export function Classes() {
  const classes = useQuery(asked.classes())
  const [making, setMaking] = useState(false)
  return (
    <>
      <div className="mb-2 flex items-center gap-4 border-b border-rule pb-4">
        <h1 className="flex-1 text-head">Classes</h1>
        <Button look="main" onClick={() => setMaking(true)}>
          New class
        </Button>
      </div>
      <Fetched of={classes}>
        {(list) =>
          list.length === 0 ? (
            <Empty title="No class yet">
              Make a class and write its names, one a line. Each student gets a PIN.
            </Empty>
          ) : (
            <ul>
              {list.map(({ id, name, code, students }) => (
                <li key={id} className="border-b border-rule">
                  <Link
                    to={`/class/${id}`}
                    className="flex items-baseline gap-6 px-1 py-4 text-ink no-underline hover:bg-card"
                  >
                    <b className="flex-1 font-serif text-name">{name}</b>
                    <span className="tabular">
                      {students} {students === 1 ? 'student' : 'students'}
                    </span>
                    <span className="text-ink-soft">
                      class code <b className="tabular tracking-wider text-ink">{code}</b>
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          )
        }
      </Fetched>
      <Dialog open={making} onClose={() => setMaking(false)} title="New class">
        <NewClass />
      </Dialog>
    </>
  )
}

function NewClass() {
  const navigate = useNavigate()
  const form = useRequestForm(newClass, { name: '' }, async (sent) => {
    const made = await ask(CALLS.makeClass, {}, sent)
    void refresh(CALLS.classes)
    await navigate(`/class/${made.id}`)
  })
  return (
    <RequestForm form={form} send="Make the class" ready={form.typed.name.trim() !== ''}>
      <Field label="Name of the class" maxLength={60} {...form.field('name')} />
    </RequestForm>
  )
}
