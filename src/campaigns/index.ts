export { CampaignScreen } from './campaign-screen'
export { CampaignsScreen } from './campaigns-screen'
