import type { Component } from 'vue'

export interface Station {
  id: string
  name: string
  key: string
  question: string
  view: () => Promise<Component>
}

/** The path of work, in its order. A station that is not built yet is not here. */
export const STATIONS: Station[] = [
  {
    id: 'sort',
    name: 'Sort',
    key: '1',
    question: 'What have I got, and what stays?',
    view: () => import('./stations/sort/SortView.vue'),
  },
  {
    id: 'survey',
    name: 'Survey',
    key: '2',
    question: 'What room have I really got?',
    view: () => import('./stations/survey/SurveyView.vue'),
  },
  {
    id: 'shape',
    name: 'Shape',
    key: '3',
    question: 'What shall I build, how big, and where?',
    view: () => import('./stations/shape/ShapeView.vue'),
  },
  {
    id: 'prove',
    name: 'Prove',
    key: '4',
    question: 'Will it hold, sag, tip, and can I get it in?',
    view: () => import('./stations/prove/ProveView.vue'),
  },
  {
    id: 'buy',
    name: 'Buy',
    key: '5',
    question: 'What do I need and what does it cost?',
    view: () => import('./stations/buy/BuyView.vue'),
  },
  {
    id: 'cut',
    name: 'Cut',
    key: '6',
    question: 'In what order do I cut it, and from which board?',
    view: () => import('./stations/cut/CutView.vue'),
  },
  {
    id: 'build',
    name: 'Build',
    key: '7',
    question: 'What next, and did it come out right?',
    view: () => import('./stations/build/BuildView.vue'),
  },
]
