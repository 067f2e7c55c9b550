import { onUnmounted, ref } from 'vue'

interface Detector {
  detect(source: HTMLVideoElement): Promise<{ rawValue: string }[]>
}
declare global {
  interface Window {
    BarcodeDetector?: new (options: { formats: string[] }) => Detector
  }
}

/** Reads codes with the device's camera, where the browser can. */
export function useScanner(found: (text: string) => void) {
  const can = 'BarcodeDetector' in window && 'mediaDevices' in navigator
  const on = ref(false)
  const problem = ref('')
  let video: HTMLVideoElement | null = null
  const show = (element: unknown) => {
    video = element instanceof HTMLVideoElement ? element : null
  }
  let stream: MediaStream | null = null

  async function start() {
    problem.value = ''
    try {
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } })
    } catch {
      problem.value = 'The camera cannot be used here. Type the code, or use a scanner.'
      return
    }
    on.value = true
    const detector = new window.BarcodeDetector!({ formats: ['qr_code', 'data_matrix', 'code_128'] })
    const look = async () => {
      if (!on.value) return
      if (video && stream) {
        if (video.srcObject !== stream) {
          video.srcObject = stream
          await video.play().catch(() => undefined)
        }
        const [code] = await detector.detect(video).catch(() => [])
        if (code) {
          stop()
          found(code.rawValue)
          return
        }
      }
      window.setTimeout(() => {
        void look()
      }, 200)
    }
    void look()
  }
  function stop() {
    on.value = false
    stream?.getTracks().forEach(track => track.stop())
    stream = null
  }
  onUnmounted(stop)
  return { can, on, problem, show, start, stop }
}
