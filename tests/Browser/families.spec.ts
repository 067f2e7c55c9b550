import { families } from './families'

families('at a desk', 1280, 800, 'Space')
