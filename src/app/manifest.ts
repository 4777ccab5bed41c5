// What a browser needs to install the desk as an application of its own, and to hand it telephone links.
import type { MetadataRoute } from 'next'

export default function manifest(): MetadataRoute.Manifest {
  return {
    id: '/',
    name: 'Loyal Switchboard',
    short_name: 'Switchboard',
    description: 'An agent desk for contact centres.',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#F7F4ED',
    theme_color: '#1F5C47',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
    protocol_handlers: [{ protocol: 'tel', url: '/?dial=%s' }],
  }
}
