import { bench as time } from 'vitest'
import { bellyBlade, plainStone, postRig } from '../../geometry/setup/sampleSetup.fixture'
import { bench } from './robot.fixture'
import { nextOf } from './nextStep'
import { stepsOf } from './steps'

const sabre = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }
const begun = bench(postRig, sabre, plainStone, 'sharpen')
const ended = bench(postRig, sabre, plainStone, 'sharpen')
for (let next = ended.next(); next; next = ended.next()) ended.press(next)
const [first, last] = [begun.now(), ended.now()]

time('the steps of a job that was just begun', () => void nextOf(stepsOf(first)))
time('the steps of a job that is done', () => void nextOf(stepsOf(last)))
