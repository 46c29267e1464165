import { ref } from 'vue'

/** The circuit that is looked at, in the table and in the drawing alike. */
export const shownCircuit = ref('')
