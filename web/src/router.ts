import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/table' },
    { path: '/table', component: () => import('./places/table/TablePlace.vue') },
    { path: '/year/:week(\\d+)?', component: () => import('./places/year/YearPlace.vue') },
    { path: '/shelves/count', component: () => import('./places/shelves/CountPage.vue') },
    { path: '/shelves/labels', component: () => import('./places/shelves/LabelsPage.vue') },
    { path: '/shelves', component: () => import('./places/shelves/ShelvesPlace.vue') },
    { path: '/house/book', component: () => import('./places/house/CropBook.vue') },
    { path: '/sowings', component: () => import('./places/sowings/SowingsPlace.vue') },
    { path: '/sowings/sheet/:kind(sowing|raising)', component: () => import('./places/sowings/SheetPage.vue') },
    { path: '/ground/sheet', component: () => import('./places/ground/SheetPage.vue') },
    { path: '/ground/:view(plot|year|beds|care|fit)?', component: () => import('./places/ground/GroundPlace.vue') },
    { path: '/daybook', component: () => import('./places/daybook/DaybookPlace.vue') },
    { path: '/daybook/record', component: () => import('./places/daybook/RecordPage.vue') },
    { path: '/daybook/day/:day', component: () => import('./places/daybook/DayPage.vue') },
    { path: '/daybook/crop/:food', component: () => import('./places/daybook/CropPage.vue') },
    { path: '/daybook/kitchen', component: () => import('./places/daybook/KitchenPage.vue') },
    { path: '/daybook/weigh', component: () => import('./places/daybook/WeighPage.vue') },
    { path: '/daybook/catch-up', component: () => import('./places/daybook/CatchUp.vue') },
    { path: '/daybook/growing', component: () => import('./places/daybook/GrowsPage.vue') },
    { path: '/ask', component: () => import('./places/ask/AskPlace.vue') },
    { path: '/house', component: () => import('./places/house/HousePlace.vue') },
    { path: '/:rest(.*)', redirect: '/table' },
  ],
})
