import { families } from './families'

families('on a phone', 390, 844, null)
