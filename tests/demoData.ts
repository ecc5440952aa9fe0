import { startServer, stopServer } from './builtServer'

/** Makes the demo data once, in the folder that every test file gets a copy of. */
export default async function makeDemoData(): Promise<void> {
  const { JAW_TILT_TEST_DATA: data, JAW_TILT_TEST_PORT: port } = process.env
  const server = startServer(Number(port), { JAW_TILT_DATA: data!, JAW_TILT_DEMO: '1' })
  await server.ready()
  await stopServer(server)
}
