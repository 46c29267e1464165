<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { LayoutGrid, ListChecks, Moon, Plus, Redo2, Search, Sun, Undo2 } from '@lucide/vue'
import type { Step } from '@ambrel/core'
import { connection } from '../saving/connection.ts'
import { draftsAreKept } from '../saving/drafts.ts'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'

const props = defineProps<{ step: Step }>()
defineEmits<{ palette: []; variant: []; about: [] }>()
const design = useDesign()
const prefs = usePrefs()
const router = useRouter()
const go = (id: string) => router.push({ name: 'design', params: { id, step: props.step } })
const basis = computed(() => (design.document?.place.wiringBasis === 'awg' ? 'AWG' : 'mm²'))
const kept = computed(() => {
  if (!draftsAreKept.value) return 'NOT kept in this browser: leave this page open'
  return design.kept ? 'kept here' : 'keeping it here…'
})
const isToday = (at: Date) => at.toDateString() === new Date().toDateString()
/** By hand: the browser takes longer to ready its own words for hours than the rest of this bar does. */
const clock = (at: Date) => [at.getHours(), at.getMinutes()].map((each) => String(each).padStart(2, '0')).join(':')
const saving = computed(() => {
  if (design.unjudged && design.saveState === 'saved') return `Not saved yet; ${kept.value}`
  switch (design.saveState) {
    case 'saved':
      return design.savedAt && isToday(design.savedAt) ? `Saved ${clock(design.savedAt)}` : 'Saved'
    case 'waiting':
    case 'saving':
      return connection.value === 'there' ? 'Saving…' : `Not saved yet; ${kept.value}`
    case 'offline':
      return `Offline; ${kept.value}`
    case 'refused':
      return `Not saved: ${design.refusal}`
    case 'conflict':
      return 'Not saved: choose'
    default:
      return `Deleted elsewhere; ${kept.value}`
  }
})
/** What the server has and what still waits here, wrong. */
const saved = computed(() =>
  design.problems.length > 0 ? `${saving.value} · ${design.problems.length} to put right` : saving.value,
)
const trouble = computed(() => !['saved', 'waiting', 'saving'].includes(design.saveState) || design.problems.length > 0)
const why = computed(() =>
  draftsAreKept.value
    ? undefined
    : 'This browser keeps nothing: its store is full or forbidden. What the server has not acknowledged is lost when the page is closed.',
)
</script>

<template>
  <section class="top" aria-label="Design">
    <RouterLink class="home" :to="{ name: 'shelf' }" title="Design shelf"
      ><LayoutGrid v-if="prefs.narrow" :size="17" aria-label="Design shelf" /><template v-else
        >Ambrel</template
      ></RouterLink
    >
    <button
      class="name"
      :title="`${design.document?.name ?? ''}: name and notes`"
      data-about-open
      @click="$emit('about')"
    >
      {{ design.document?.name }}
    </button>
    <select
      v-if="prefs.narrow && design.siblings.length > 1"
      class="variant"
      aria-label="Variant"
      :value="design.id"
      @change="go(($event.target as HTMLSelectElement).value)"
    >
      <option v-for="entry in design.siblings" :key="entry.id" :value="entry.id">{{ entry.variant }}</option>
    </select>
    <nav v-if="!prefs.narrow" class="tabs" aria-label="Variants">
      <RouterLink
        v-for="entry in design.siblings"
        :key="entry.id"
        :to="{ name: 'design', params: { id: entry.id, step } }"
        :class="{ on: entry.id === design.id }"
        :title="entry.variant"
        >{{ entry.variant }}</RouterLink
      >
      <button title="New variant" aria-label="New variant" @click="$emit('variant')"><Plus :size="14" /></button>
    </nav>
    <span class="grow" />
    <span v-if="!draftsAreKept" class="quiet unkept" :title="why" data-unkept>No drafts kept</span>
    <span class="quiet saved" :class="{ trouble }" :title="why ?? saved" role="status" data-saved>{{ saved }}</span>
    <button
      class="icon-button"
      :disabled="!design.canUndo"
      :title="`Undo ${design.undoLabel}`"
      aria-label="Undo"
      @click="design.undo"
    >
      <Undo2 :size="16" />
    </button>
    <button
      class="icon-button"
      :disabled="!design.canRedo"
      :title="`Redo ${design.redoLabel}`"
      aria-label="Redo"
      @click="design.redo"
    >
      <Redo2 :size="16" />
    </button>
    <button
      v-if="prefs.narrow"
      class="icon-button"
      title="Findings"
      :aria-label="prefs.findingsOpen ? 'Hide findings' : 'Findings'"
      :aria-expanded="prefs.findingsOpen"
      data-findings
      @click="prefs.findingsOpen = !prefs.findingsOpen"
    >
      <ListChecks :size="17" />
    </button>
    <button
      class="icon-button quiet units"
      title="Metric or imperial"
      :aria-label="`${prefs.units} · ${basis}, change units`"
      @click="prefs.toggleUnits"
    >
      {{ prefs.units }} · {{ basis }}
    </button>
    <button
      class="icon-button theme"
      :title="prefs.theme === 'night' ? 'Day theme' : 'Night theme'"
      aria-label="Theme"
      @click="prefs.toggleTheme"
    >
      <Sun v-if="prefs.theme === 'night'" :size="16" /><Moon v-else :size="16" />
    </button>
    <button
      class="icon-button"
      title="Command palette"
      :aria-label="prefs.narrow ? 'Command palette' : 'Ctrl K, command palette'"
      @click="$emit('palette')"
    >
      <Search v-if="prefs.narrow" :size="16" /><kbd v-else>Ctrl K</kbd>
    </button>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
  height: var(--bar);
  padding: 0 12px 0 16px;
  border-bottom: 1px solid var(--rule);
  background: var(--card);
}

.home {
  color: var(--spruce);
  font: 600 15px var(--heading);
  text-decoration: none;
}

.name {
  overflow: hidden;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  cursor: pointer;
  min-width: 60px;
  max-width: 230px;
  margin-left: 8px;
  font: 600 17px var(--heading);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.tabs {
  display: flex;
  align-self: flex-end;
  gap: 2px;
  min-width: 0;
  margin-left: 8px;
}

.tabs a,
.tabs button {
  overflow: hidden;
  min-width: 30px;
  max-width: 170px;
  padding: 6px 12px 7px;
  border: 1px solid var(--rule);
  border-bottom: 0;
  border-radius: 5px 5px 0 0;
  background: var(--paper);
  color: var(--soft);
  font: inherit;
  text-decoration: none;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}

.tabs .on {
  border-color: var(--ink);
  background: var(--card);
  box-shadow: inset 0 3px 0 var(--spruce);
  color: var(--ink);
  font-weight: 600;
}

.saved {
  overflow: hidden;
  min-width: 90px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.unkept {
  padding: 1px 6px;
  border: 1px solid var(--ochre);
  border-radius: 4px;
  white-space: nowrap;
}

.trouble {
  color: var(--clay);
  font-weight: 600;
}

.variant {
  min-width: 0;
  max-width: 170px;
  height: var(--target);
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  color: inherit;
  font: inherit;
}

@media (max-width: 900px) {
  .top {
    gap: 4px;
    padding: 0 8px;
  }

  .saved {
    min-width: 40px;
    flex: 0 1 auto;
    font-size: 12px;
  }

  .name {
    flex: 1 1 60px;
    margin-left: 2px;
    font-size: 16px;
  }

  .grow {
    display: none;
  }
}

/* what there is no room for stands in the palette */
@media (max-width: 600px) {
  .units,
  .theme {
    display: none;
  }

  .variant {
    max-width: 96px;
  }
}

/* in the hand: whose design it is and what can be done above, which variant it is and whether it is saved below */
@media (max-width: 600px) and (min-height: 561px) {
  .top {
    flex-wrap: wrap;
    align-content: center;
    gap: 0 4px;
  }

  .grow {
    display: block;
    flex: 1 0 100%;
  }

  .name {
    max-width: none;
  }

  .grow {
    order: 1;
  }

  .variant,
  .unkept,
  .saved {
    order: 2;
  }

  .variant {
    flex: 0 1 auto;
    max-width: 60%;
    margin-left: 4px;
  }

  .saved {
    flex: 1 1 30%;
    padding: 0 4px;
    font-size: 13px;
    text-align: right;
  }
}

@media (pointer: coarse) {
  .home {
    display: grid;
    min-width: 44px;
    height: 44px;
    place-items: center;
  }

  .name {
    min-height: 44px;
  }
}

@media (max-height: 560px) {
  .top {
    height: 100%;
  }

  .variant {
    max-height: 36px;
  }
}
</style>
