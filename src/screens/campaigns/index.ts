export { CampaignScreen } from './campaign-screen'
export { CampaignsScreen } from './campaigns-screen'
export { WhatIfScreen } from './what-if-screen'
