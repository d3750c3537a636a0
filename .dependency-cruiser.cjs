/** Imports run one way: app → ui → core, app → server → core; standins stand alone; core imports nothing of the others. */
const never = (name, from, to) => ({ name, severity: 'error', from: { path: from }, to: { path: to } })

module.exports = {
  forbidden: [
    never('core-stands-alone', '^src/core', '^src/(app|ui|server|standins)'),
    never('core-is-pure', '^src/core', '^(node:|fs$|path$|react|next)'),
    never('ui-knows-core-only', '^src/ui', '^src/(app|server|standins)'),
    never('server-knows-core-only', '^src/server', '^src/(app|ui|standins)'),
    never('standins-stand-alone', '^src/standins', '^src/(app|ui|server|core)'),
    { name: 'no-circles', severity: 'error', from: { path: '^src' }, to: { circular: true } },
    // What reads files from outside runs in processes of its own; the one way to it is to ask.
    never('readers-are-asked', '^src/(app|server/(?!readers/))', '^src/server/readers/(?!read-outside)'),
    never('app-asks-use-cases-only', '^src/app', '^src/server/(?!use-cases/|http/|problems/)'),
    {
      name: 'a-stage-imports-no-other-stage',
      severity: 'error',
      from: { path: '^src/ui/(brief|template|brand|content|pages|publish|jobs|frame|people|history)/' },
      to: { path: '^src/ui/(brief|template|brand|content|pages|publish|jobs|frame|people|history)/', pathNot: '^src/ui/$1/' },
    },
    {
      name: 'one-way-into-a-core-room',
      severity: 'error',
      from: { path: '^src/(app|ui|server)' },
      to: { path: '^src/core/[^/]+/(?!index)' },
    },
    { name: 'nothing-unresolved', severity: 'error', from: { path: '^src' }, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.ts$' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
}
