import vue from '@vitejs/plugin-vue'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue(), components({ dirs: [], dts: false, resolvers: [ElementPlusResolver({ importStyle: 'css' })] })],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1200,
    rolldownOptions: {
      output: {
        // every step is fetched ahead in any case, and sixty small files take longer to come than one
        codeSplitting: {
          groups: [
            {
              name: 'start',
              test: /node_modules\/(@vue|vue|vue-router|pinia|p-retry|is-network-error|@lucide|@vueuse)\/|web\/src\/(main|router|App|shelf\/(?!LandMap|NewDesign)|frame\/stepViews|stores\/(api|prefs)|saving\/connection)|vite\/|plugin-vue/,
              priority: 3,
            },
            { name: 'charts', test: /node_modules\/(vue3-)?apexcharts/, priority: 2 },
            {
              name: 'bench',
              // what writes Markdown comes with the first note
              test: /web\/src\/(frame(?!\/MarkdownText)|steps|fields|drawing|stores|saving)\/|core\/src|contract\/src|node_modules\/(joi|element-plus)/,
              priority: 1,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4870}` } },
})
