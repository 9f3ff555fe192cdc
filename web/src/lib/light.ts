// Whether the screen is read in bright sun. This device remembers it.
import { watchEffect } from 'vue'
import { useStored } from './stored'

export type Light = 'usual' | 'sun'
export const light = useStored<Light>('light', ['usual', 'sun'])

watchEffect(() => (document.documentElement.dataset['light'] = light.value))
