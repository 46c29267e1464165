import vue from '@vitejs/plugin-vue'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue(), components({ dirs: [], dts: false, resolvers: [ElementPlusResolver({ importStyle: 'css' })] })],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4870}` } },
})
