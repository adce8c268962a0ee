/** Arrows run one way: web → core, server → core; a thing of the trade never reaches into a sibling. */
const trade =
  'people|classes|worksheets|handouts|copies|attachments|parcels|files|marking|marksBook|remarks|mail|room|live'
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(server|web|e2e|tools)/' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|e2e|tools)/' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|e2e|tools)/' },
    },
    {
      name: 'teacher-not-student',
      severity: 'error',
      from: { path: '^web/src/teacher/' },
      to: { path: '^web/src/student/' },
    },
    {
      name: 'student-not-teacher',
      severity: 'error',
      from: { path: '^web/src/student/' },
      to: { path: '^web/src/teacher/' },
    },
    {
      name: 'page-knows-no-screen',
      severity: 'error',
      from: { path: '^web/src/(page|ui|api)/' },
      to: { path: '^web/src/(teacher|student)/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-circles-of-rooms',
      comment: 'The rooms of a page stand one on another: strip and view at the bottom, work on top.',
      severity: 'error',
      scope: 'folder',
      from: { path: '^web/src/page/' },
      to: { circular: true, path: '^web/src/page/' },
    },
    {
      name: 'siblings-only-through-their-index',
      severity: 'error',
      from: { path: `^server/src/(${trade})/` },
      to: {
        path: `^server/src/(${trade})/`,
        pathNot: [`^server/src/$1/`, `^server/src/(${trade})/index\\.ts$`],
      },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.tsx?$' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.css'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'types'],
    },
  },
}
