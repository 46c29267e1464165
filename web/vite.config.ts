import vue from '@vitejs/plugin-vue'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig, type Plugin } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'

/** What the first picture is written in is fetched with the page, and not once its words stand there in another font. */
const FIRST_FONTS = /(bitter-latin-600|source-sans-3-latin-[46]00)-normal-[^.]+\.woff2$/
const fontsAhead: Plugin = {
  name: 'fonts-ahead',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => FIRST_FONTS.test(file))
        .map((file) => ({
          tag: 'link',
          injectTo: 'head' as const,
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: '', href: `/${file}` },
        })),
  },
}

/** of zlib, by its number: BROTLI_PARAM_QUALITY */
const QUALITY = 1
const BROTLI = defineAlgorithm('brotliCompress', { params: { [QUALITY]: 10 } })

export default defineConfig(({ mode }) => ({
  plugins: [
    vue(),
    fontsAhead,
    components({
      dirs: [],
      dts: false,
      resolvers: [ElementPlusResolver({ importStyle: mode === 'test' ? false : 'css' })],
    }),
    // packed once and well here, so that serving costs nothing; the best that there is packs twice as long for 2 % less
    compression({ algorithms: [BROTLI, 'gzip'], include: /\.(js|css|svg|html)$/ }),
  ],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1200,
    rolldownOptions: {
      output: {
        // a chunk a step, one for what all of them share; what is rarely asked for comes when it is
        codeSplitting: {
          groups: [
            {
              name: 'start',
              test: /node_modules\/(@vue|vue|vue-router|pinia|p-retry|is-network-error|@lucide|@vueuse)\/|web\/src\/(main|router|App|shelf\/(?!LandMap|NewDesign)|frame\/stepViews|stores\/(api|prefs)|saving\/connection)|vite\/|plugin-vue/,
              priority: 4,
            },
            { name: 'charts', test: /node_modules\/(vue3-)?apexcharts/, priority: 3 },
            {
              name: (id: string) => `step-${/web\/src\/steps\/(\w+)\//.exec(id)![1]}`,
              // what waits for a moment of rest or to be asked for, with the libraries it needs, is no part of it
              test: /web\/src\/steps\/\w+\/(?!LoadAdder|Import|weatherImport)/,
              priority: 2,
              includeDependenciesRecursively: false,
            },
            {
              name: 'bench',
              test: /web\/src\/(frame(?!\/\w+(Dialogs?|Palette|Table|Sheet|Around|Text)\.vue|\/(finds|glossary|choice))|fields|drawing|stores|saving)\/|core\/src\/(?!weather\/hours|parts\/from|system\/(oneLine|svg))|contract\/src\/(index|limits|merge|letters|holds|sound|waiting|partTables)\.ts/,
              priority: 1,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4870}` } },
}))
