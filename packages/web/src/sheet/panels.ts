/** Panels beside the sheet: fetched as one, right after what is seen first, and there when opened. */
export { default as SceneSounds } from '../sound/SceneSounds.vue'
export { default as DrawnPanel } from './DrawnPanel.vue'
export { default as LookPanel } from './LookPanel.vue'
export { default as ScenePanel } from './ScenePanel.vue'
export { default as ShotPanel } from './ShotPanel.vue'
