import { useQuery } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { asked } from '../asked.ts'
import { openBoard } from './openBoard.ts'

/** For which class a worksheet is opened at the front. */
export function BoardForClass({ worksheet, onClose }: { worksheet: string; onClose: () => void }) {
  const classes = useQuery(asked.classes())
  const navigate = useNavigate()
  const open = (id: string) =>
    void openBoard({ worksheet, class: id }).then((at) => void navigate(at), sayProblem)
  return (
    <Dialog open onClose={onClose} title="In front of which class?">
      <Fetched of={classes}>
        {(all) =>
          all.length === 0 ? (
            <div className="grid gap-3">
              <p>You have no class yet.</p>
              <LinkButton to="/classes">Make a class</LinkButton>
            </div>
          ) : (
            <div className="grid gap-2">
              {all.map(({ id, name }) => (
                <Button key={id} onClick={() => open(id)}>
                  {name}
                </Button>
              ))}
            </div>
          )
        }
      </Fetched>
    </Dialog>
  )
}
