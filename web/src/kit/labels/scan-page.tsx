import { readTag } from '@exemplar/core'
import jsQR from 'jsqr'
import { useCallback, useEffect, useRef, useState } from 'react'
import { FormProblem, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { PageHead } from '../../foundation/parts/page-parts.tsx'
import { practiseScan } from '../../foundation/parts/scanning.ts'
import { useOpenThing } from './use-open-thing.ts'

/** Opens the thing whose label is shown to the camera, lies in a picture, or is typed. */
export function ScanPage() {
  const [problem, setProblem] = useState<string | null>(null)
  const [typed, setTyped] = useState('')
  const openThing = useOpenThing()
  const open = useCallback(
    async (text: string) => {
      const tag = readTag(text)
      if (!tag) {
        setProblem(`This label says “${text.slice(0, 60)}”, which is no tag of yours.`)
        return
      }
      if (!(await openThing(tag))) setProblem(`No thing has the tag ${tag}.`)
    },
    [openThing],
  )
  const readPicture = async (file: File) => {
    const text = await decodePicture(file)
    if (text) await open(text)
    else setProblem('No code was found in this picture. Go nearer, and keep the label flat.')
  }
  return (
    <>
      <PageHead title="Scan a label" />
      <div className="grid max-w-[460px] gap-5 px-4 py-4 md:px-5">
        <FormProblem text={problem} />
        <Camera onRead={open} />
        <label className="grid gap-1 text-[12px] font-semibold">
          From a picture
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="text-[13px] font-normal file:mr-3 file:h-11 file:rounded-paper file:border file:border-rule-strong file:bg-sheet file:px-4 file:font-semibold"
            onChange={(event) => {
              const file = event.target.files?.[0]
              if (file) readPicture(file)
              event.target.value = ''
            }}
          />
        </label>
        <form
          className="grid grid-cols-[1fr_auto] items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            open(typed)
          }}
        >
          <TextField
            label="Or type the tag"
            placeholder="CAM-02"
            autoCapitalize="characters"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="submit" className="h-9!">
            Open
          </Button>
        </form>
        <p className="text-[13px] text-quiet">
          A scanner that types works on every page: scan, and the thing opens, or is ticked in the sheet that is open.
          To practise without one:{' '}
          <button
            type="button"
            className="underline underline-offset-[3px]"
            onClick={() => practiseScan(readTag(typed) ?? 'CAM-02')}
          >
            let the practice scanner read {readTag(typed) ?? 'CAM-02'}
          </button>
        </p>
      </div>
    </>
  )
}

/** Why the camera cannot be used here; null where it can. */
function findObstacle(): string | null {
  if (!window.isSecureContext) {
    return 'The camera works only over a protected connection (https). Whoever runs Exemplar sets EXEMPLAR_TLS_CERT and EXEMPLAR_TLS_KEY. Until then, take a picture of the label below.'
  }
  if (!navigator.mediaDevices?.getUserMedia)
    return 'This browser gives no camera to pages. Take a picture of the label below.'
  return null
}

function Camera({ onRead }: { onRead(text: string): void }) {
  const [isOn, setOn] = useState(false)
  const [problem, setProblem] = useState(findObstacle)
  const video = useRef<HTMLVideoElement>(null)
  useEffect(() => {
    if (!isOn) return
    let stream: MediaStream | null = null
    let frame = 0
    let isOver = false
    const canvas = document.createElement('canvas')
    const look = () => {
      const source = video.current
      const text =
        source && source.videoWidth > 0 ? decodeFrame(source, source.videoWidth, source.videoHeight, canvas) : null
      if (text) onRead(text)
      else frame = requestAnimationFrame(look)
    }
    navigator.mediaDevices
      .getUserMedia({ video: { facingMode: 'environment' } })
      .then((given) => {
        if (isOver) {
          stop(given)
          return
        }
        stream = given
        if (video.current) video.current.srcObject = given
        look()
      })
      .catch(() => {
        setOn(false)
        setProblem(
          'The camera was refused, or there is none. Allow it in the browser, or take a picture of the label below.',
        )
      })
    return () => {
      isOver = true
      cancelAnimationFrame(frame)
      if (stream) stop(stream)
    }
  }, [isOn, onRead])
  if (problem) return <p className="border-l-4 border-rule-strong pl-3 text-[13px] text-quiet">{problem}</p>
  return isOn ? (
    <video
      ref={video}
      autoPlay
      playsInline
      muted
      className="aspect-square w-full border border-rule-strong object-cover"
    />
  ) : (
    <Button look="act" size="thumb" onClick={() => setOn(true)}>
      Use the camera
    </Button>
  )
}

function stop(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop()
}

async function decodePicture(file: File): Promise<string | null> {
  const picture = await createImageBitmap(file).catch(() => null)
  if (!picture) return null
  // Phones make pictures of many millions of points; a code is found in far fewer, and much sooner.
  const scale = Math.min(1, 1600 / Math.max(picture.width, picture.height))
  const width = Math.round(picture.width * scale)
  const height = Math.round(picture.height * scale)
  return decodeFrame(picture, width, height, document.createElement('canvas'))
}

function decodeFrame(
  source: CanvasImageSource,
  width: number,
  height: number,
  canvas: HTMLCanvasElement,
): string | null {
  canvas.width = width
  canvas.height = height
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) return null
  context.drawImage(source, 0, 0, width, height)
  return jsQR(context.getImageData(0, 0, width, height).data, width, height)?.data ?? null
}
