import { Lead, LinkHome, Main, Title, TopBar } from '@/ui/Page'

export default function NotFound() {
  return <><TopBar /><Main><Title>Nothing here</Title><Lead>There is no build, bench or sum at this address. Nothing is ever deleted here, so it is most likely a letter too many or too few.</Lead><LinkHome /></Main></>
}
