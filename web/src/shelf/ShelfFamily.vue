<script setup lang="ts">
import { ref } from 'vue'
import { Archive, Copy, Download, Pencil, Trash2 } from '@lucide/vue'
import type { DesignEntry } from '@ambrel/contract'
import { saveDesign } from '../frame/files.ts'
import { tell } from '../saving/tabs.ts'
import { api } from '../stores/api.ts'
import { archive, duplicate, renameFamily, renameVariant } from './rename.ts'
import { dayOf } from './words.ts'
import { fetched } from '../frame/fetching.ts'

/** A design on the shelf: its variants, each with its winter, and what can be done with them. */
const props = defineProps<{ family: DesignEntry[] }>()
/** work that changes the shelf, to be done and told of by it */
const emit = defineEmits<{ change: [work: () => Promise<unknown>] }>()
const MiniStrip = fetched(() => import('./MiniStrip.vue'))

/** What is being given another name: one variant, or with none the design. */
const renaming = ref<{ id: string | null; name: string } | null>(null)
function keepName(): void {
  const { id, name } = renaming.value!
  emit('change', async () => {
    if (name.trim() === '') throw new Error('it needs a name')
    const entry = props.family.find((each) => each.id === id)
    await (entry ? renameVariant(entry, name.trim()) : renameFamily(props.family[0].familyId, name.trim()))
    renaming.value = null
  })
}
const ACTS = [
  {
    says: 'Rename',
    icon: Pencil,
    act: ({ id, variant }: DesignEntry) => (renaming.value = { id, name: variant }),
  },
  {
    says: 'Copy as a design of its own',
    icon: Copy,
    act: (entry: DesignEntry) => emit('change', () => duplicate(entry)),
  },
  {
    says: 'Save as a file',
    icon: Download,
    act: ({ id }: DesignEntry) => emit('change', async () => saveDesign((await api.design(id)).document)),
  },
  { says: 'Put away', icon: Archive, act: (entry: DesignEntry) => emit('change', () => archive(entry, true)) },
]
const remove = (entry: DesignEntry) =>
  emit('change', async () => {
    await api.remove(entry.id)
    tell({ kind: 'deleted', design: entry.id, version: entry.version })
  })
</script>

<template>
  <section class="family">
    <div class="title">
      <h3 :title="family[0].name">{{ family[0].name }}</h3>
      <span class="quiet">{{ family.length }} variant{{ family.length === 1 ? '' : 's' }}</span>
      <button
        class="link quiet"
        :aria-label="`Rename ${family[0].name}`"
        @click="renaming = { id: null, name: family[0].name }"
      >
        rename
      </button>
      <form v-if="renaming?.id === null" class="rename" @submit.prevent="keepName">
        <input v-model="renaming.name" maxlength="120" aria-label="New name of the design" data-new-name />
        <button class="link" type="submit">keep</button>
        <button class="link" type="button" @click="renaming = null">drop</button>
      </form>
    </div>
    <ul>
      <li v-for="entry in family" :key="entry.id">
        <form v-if="renaming?.id === entry.id" class="rename" @submit.prevent="keepName">
          <input v-model="renaming.name" maxlength="120" aria-label="New name of the variant" data-new-name />
          <button class="link" type="submit">keep</button>
          <button class="link" type="button" @click="renaming = null">drop</button>
        </form>
        <RouterLink
          v-else
          :to="{ name: 'design', params: { id: entry.id, step: 'winter' } }"
          :title="entry.variant"
          data-open
          >{{ entry.variant }}</RouterLink
        >
        <MiniStrip :id="entry.id" :version="entry.version" />
        <span class="quiet day">{{ dayOf(entry.updatedAt) }}</span>
        <span class="acts">
          <button
            v-for="{ says, act, icon } in ACTS"
            :key="says"
            class="icon-button"
            :aria-label="`${says} ${entry.name}, ${entry.variant}`"
            :title="says"
            @click="act(entry)"
          >
            <component :is="icon" :size="14" />
          </button>
          <button
            class="icon-button"
            :aria-label="`Delete ${entry.variant}`"
            title="To the bin, for 30 days"
            @click="remove(entry)"
          >
            <Trash2 :size="14" />
          </button>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.family {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  margin-bottom: 12px;
  border: 1px solid var(--rule);
  border-left: 4px solid var(--lichen);
  border-radius: 4px;
  background: var(--card);
}

.title {
  padding: 14px 16px;
  border-right: 1px solid var(--rule);
  min-width: 0;
}

.title h3 {
  overflow: hidden;
  font-size: 17px;
  text-overflow: ellipsis;
}

.title .link {
  margin-left: 8px;
}

ul {
  min-width: 0;
  margin: 0;
  padding: 6px 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 3px 8px 3px 16px;
}

li a {
  overflow: hidden;
  flex: 1;
  color: var(--spruce);
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.rename {
  display: flex;
  flex: 1;
  align-items: center;
  gap: 8px;
}

.rename input {
  height: var(--target);
  min-width: 0;
  flex: 1;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: inherit;
  font: inherit;
}

.acts {
  display: flex;
}

.day {
  width: 84px;
  text-align: right;
  white-space: nowrap;
}

@media (max-width: 900px) {
  .family {
    grid-template-columns: 1fr;
  }

  .title {
    border-right: 0;
    border-bottom: 1px solid var(--rule);
  }

  li {
    flex-wrap: wrap;
    padding: 6px 10px;
  }

  li a {
    flex: 1 1 100%;
  }
}
</style>
