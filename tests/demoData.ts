import { freePort, startServer, stopServer } from './builtServer'

/** Makes the demo data once, in the folder that every test file gets a copy of. */
export default async function makeDemoData(): Promise<void> {
  const data = process.env.JAW_TILT_TEST_DATA!
  const server = startServer(await freePort(), { JAW_TILT_DATA: data, JAW_TILT_DEMO: '1' })
  await server.ready()
  await stopServer(server)
}
