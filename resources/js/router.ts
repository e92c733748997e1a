import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'

const id = (name: string) => `:${name}(\\d+)`

const routes: RouteRecordRaw[] = [
    {
        path: '/',
        component: () => import('@/features/today/pages/TodayPage.vue'),
        meta: { stage: 'today', title: 'Today' },
    },
    {
        path: '/areas',
        component: () => import('@/features/areas/pages/AreasPage.vue'),
        meta: { stage: 'areas', title: 'Areas' },
    },
    {
        path: `/plans/${id('area')}?`,
        component: () => import('@/features/plans/pages/PlanPage.vue'),
        meta: { stage: 'plans', title: 'Plans' },
    },
    {
        path: `/plans/${id('area')}/compare`,
        component: () => import('@/features/plans/pages/ComparePage.vue'),
        meta: { stage: 'plans', title: 'Compare' },
    },
    {
        path: `/plans/${id('area')}/schools`,
        component: () => import('@/features/plans/pages/SchoolsPage.vue'),
        meta: { stage: 'plans', title: 'Schools' },
    },
    {
        path: `/sheets/${id('plan')}`,
        component: () => import('@/features/plans/pages/SheetPage.vue'),
        meta: { stage: 'plans', title: 'Field sheet' },
    },
    {
        path: '/pull',
        component: () => import('@/features/pull/pages/PullList.vue'),
        meta: { stage: 'pull', title: 'Pull' },
    },
    {
        path: `/pull/${id('plan')}`,
        component: () => import('@/features/pull/pages/PullPage.vue'),
        meta: { stage: 'pull', title: 'Pull', bare: true },
    },
    {
        path: `/pull/${id('plan')}/labels`,
        component: () => import('@/features/pull/components/PullLabels.vue'),
        meta: { stage: 'pull', title: 'Labels ahead' },
    },
    {
        path: '/send',
        component: () => import('@/features/send/pages/SendPage.vue'),
        meta: { stage: 'send', title: 'Send' },
    },
    {
        path: '/scan',
        component: () => import('@/features/send/pages/ScanPage.vue'),
        meta: { stage: 'send', title: 'Scan' },
    },
    {
        path: '/labs',
        component: () => import('@/features/send/pages/LabsPage.vue'),
        meta: { stage: 'send', title: 'Labs' },
    },
    {
        path: '/consignments/new',
        component: () => import('@/features/send/pages/PackPage.vue'),
        meta: { stage: 'send', title: 'Pack a consignment' },
    },
    {
        path: `/consignments/${id('consignment')}`,
        component: () => import('@/features/send/pages/ConsignmentPage.vue'),
        meta: { stage: 'send', title: 'Consignment' },
    },
    {
        path: `/samples/${id('sample')}`,
        component: () => import('@/features/send/pages/SamplePage.vue'),
        meta: { stage: 'send', title: 'Sample' },
    },
    {
        path: `/samples/${id('sample')}/labels`,
        component: () => import('@/features/send/pages/LabelsPage.vue'),
        meta: { stage: 'send', title: 'Labels' },
    },
    {
        path: '/bench',
        component: () => import('@/features/bench/pages/BenchPage.vue'),
        meta: { stage: 'bench', title: 'Bench' },
    },
    ...[
        ['by-hand', 'By hand', () => import('@/features/bench/pages/ByHandPage.vue')] as const,
        ['methods', 'Methods', () => import('@/features/bench/pages/MethodsPage.vue')] as const,
        [`methods/${id('method')}`, 'Method', () => import('@/features/bench/pages/MethodPage.vue')] as const,
        ['pens', 'Pens', () => import('@/features/bench/pages/PensPage.vue')] as const,
        ['readers', 'Readers', () => import('@/features/bench/pages/ReadersPage.vue')] as const,
        [
            `transects/${id('area')}?`,
            'Row transects',
            () => import('@/features/bench/pages/TransectsPage.vue'),
        ] as const,
        [`runs/${id('run')}`, 'Run', () => import('@/features/bench/pages/RunPage.vue')] as const,
    ].map(([path, title, component]) => ({ path: `/bench/${path}`, component, meta: { stage: 'bench', title } })),
    {
        path: '/reports',
        component: () => import('@/features/reports/pages/ReportsPage.vue'),
        meta: { stage: 'reports', title: 'Reports' },
    },
    {
        path: '/reports/side-by-side',
        component: () => import('@/features/reports/pages/SideBySidePage.vue'),
        meta: { stage: 'reports', title: 'Side by side' },
    },
    {
        path: '/reports/checks',
        component: () => import('@/features/reports/pages/ChecksPage.vue'),
        meta: { stage: 'reports', title: 'Check soils' },
    },
    {
        path: '/reports/take',
        component: () => import('@/features/reports/pages/TakePage.vue'),
        meta: { stage: 'reports', title: 'Take a file' },
    },
    {
        path: `/reports/${id('report')}`,
        component: () => import('@/features/reports/pages/ReportPage.vue'),
        meta: { stage: 'reports', title: 'Report' },
    },
    {
        path: `/evidence/${id('method')}/records`,
        component: () => import('@/features/evidence/pages/RecordsPage.vue'),
        meta: { stage: 'evidence', title: 'Old records' },
    },
    {
        path: `/evidence/${id('method')}?`,
        component: () => import('@/features/evidence/pages/EvidencePage.vue'),
        meta: { stage: 'evidence', title: 'Evidence' },
    },
    {
        path: '/decide/strategies',
        component: () => import('@/features/decide/pages/StrategiesPage.vue'),
        meta: { stage: 'decide', title: 'What to buy' },
    },
    {
        path: `/decide/verdicts/${id('verdict')}`,
        component: () => import('@/features/decide/pages/VerdictPage.vue'),
        meta: { stage: 'decide', title: 'Verdict' },
    },
    {
        path: '/decide',
        component: () => import('@/features/decide/pages/DecidePage.vue'),
        meta: { stage: 'decide', title: 'Decide' },
    },
    {
        path: `/prescribe/${id('area')}?`,
        component: () => import('@/features/prescribe/pages/ProgramPage.vue'),
        meta: { stage: 'prescribe', title: 'Program' },
    },
    {
        path: `/prescribe/${id('area')}/lime`,
        component: () => import('@/features/prescribe/pages/LimePage.vue'),
        meta: { stage: 'prescribe', title: 'Lime by the schools' },
    },
    {
        path: `/prescribe/${id('area')}/crops`,
        component: () => import('@/features/prescribe/pages/CropsPage.vue'),
        meta: { stage: 'prescribe', title: 'Crops side by side' },
    },
    {
        path: `/programs/${id('program')}`,
        component: () => import('@/features/prescribe/pages/SignedPage.vue'),
        meta: { stage: 'prescribe', title: 'Signed program' },
    },
    ...[
        ['shelf', 'Shelf', () => import('@/features/prescribe/pages/ShelfPage.vue')] as const,
        ['tables', 'Tables', () => import('@/features/prescribe/pages/TablesPage.vue')] as const,
        ['shopping', 'Shopping list', () => import('@/features/prescribe/pages/ShoppingPage.vue')] as const,
        ['reckoner/:tool?', 'Reckoner', () => import('@/features/prescribe/pages/ReckonerPage.vue')] as const,
    ].map(([path, title, component]) => ({ path: `/${path}`, component, meta: { stage: 'prescribe', title } })),
    {
        path: '/follow-up',
        component: () => import('@/features/follow-up/pages/FollowUpPage.vue'),
        meta: { stage: 'follow-up', title: 'Follow up' },
    },
    {
        path: '/follow-up/spread',
        component: () => import('@/features/follow-up/pages/SpreadPage.vue'),
        meta: { stage: 'follow-up', title: 'Spreading log', bare: true },
    },
    ...[
        [`areas/${id('area')}?`, 'Series', () => import('@/features/follow-up/pages/SeriesPage.vue')] as const,
        ['answers', 'Did it work?', () => import('@/features/follow-up/pages/AnswersPage.vue')] as const,
        ['schools', 'Which school was right?', () => import('@/features/follow-up/pages/TrialsPage.vue')] as const,
        ['campaign', 'Campaign', () => import('@/features/follow-up/pages/CampaignPage.vue')] as const,
    ].map(([path, title, component]) => ({
        path: `/follow-up/${path}`,
        component,
        meta: { stage: 'follow-up', title },
    })),
    ...(
        [
            ['account', 'You', () => import('@/features/people/pages/AccountPage.vue')],
            ['people', 'People', () => import('@/features/people/pages/PeoplePage.vue')],
            ['people/log', 'What was done', () => import('@/features/people/pages/LogPage.vue')],
            ['changes', 'What was changed', () => import('@/features/people/pages/ChangesPage.vue')],
            ['help', 'Help', () => import('@/features/help/pages/HelpPage.vue')],
            ['practice', 'Practice', () => import('@/features/practice/pages/PracticePage.vue')],
            ['practice/reveal', 'What the ground was', () => import('@/features/practice/pages/RevealPage.vue')],
            [`practice/classes/${id('class')}`, 'Class', () => import('@/features/practice/pages/ClassPage.vue')],
            ['settings', 'Sites', () => import('@/features/people/pages/SettingsPage.vue')],
        ] as const
    ).map(([path, title, component]) => ({ path: `/${path}`, component, meta: { stage: '', title } })),
    {
        path: '/invitation/:token',
        component: () => import('@/features/people/pages/InvitationPage.vue'),
        meta: { stage: '', title: 'Invitation', open: true },
    },
    {
        path: '/reset/:token',
        component: () => import('@/features/people/pages/ResetPage.vue'),
        meta: { stage: '', title: 'A new password', open: true },
    },
    {
        path: '/:rest(.*)',
        component: () => import('@/features/today/pages/NotFound.vue'),
        meta: { stage: '', title: 'Not found' },
    },
]

export const router = createRouter({ history: createWebHistory(), routes })

router.afterEach((to) => {
    document.title = `${String(to.meta.title ?? '')} · Honest Core`
})
