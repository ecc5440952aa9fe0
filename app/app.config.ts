export default defineAppConfig({
  ui: {
    colors: { primary: 'rust', neutral: 'stone', error: 'red', success: 'green', warning: 'amber', info: 'sky', secondary: 'stone' },
    button: { slots: { base: 'rounded-sm font-medium cursor-pointer' } },
    input: { slots: { base: 'rounded-sm' } },
    modal: { slots: { content: 'rounded-md', title: 'text-lg' } },
  },
})
