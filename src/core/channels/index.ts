export { CHANNELS, type Channel, WRITTEN_CHANNELS, type Written, WrittenChannelSchema } from './channel'
export { EMPTY_HANDS, hasRoomFor, type Load, LoadSchema, roomFor, USUAL_LOADS } from './load'
