import { Presentation } from 'lucide-react'
import { useNavigate } from 'react-router'
import { Button } from '../../ui/Button.tsx'
import { frontWith, frontWithout, shownCopies } from '../front/frontAs.ts'
import { useLesson, useSay } from './useLesson.ts'

/** Shows a page of a copy to the class, without a name, and goes where it can be pointed at; or takes it off again. */
export function ShowAtFront({ handout, copy, page }: { handout: string; copy: string; page: string }) {
  const lesson = useLesson(handout).data?.lesson
  const say = useSay(handout)
  const navigate = useNavigate()
  if (!lesson) return null
  const { front } = lesson
  const shown = shownCopies(front).some((each) => each.copy === copy)
  const show = async () => {
    if (await say({ say: 'show', front: frontWith(front, copy, page, false) }))
      void navigate(`/handout/${handout}/front`)
  }
  return (
    <Button onClick={() => void (shown ? say({ say: 'show', front: frontWithout(front, copy) }) : show())}>
      <Presentation size={18} aria-hidden="true" /> {shown ? 'Take it off the front' : 'Show at the front'}
    </Button>
  )
}
