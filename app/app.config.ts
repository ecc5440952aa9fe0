export default defineAppConfig({
  ui: {
    colors: { primary: 'rust', neutral: 'stone', error: 'red' },
    button: {
      // What a button does is said whole: its words go on in a second line where there is no room.
      slots: { base: 'target rounded-sm font-medium cursor-pointer max-w-full', label: 'whitespace-normal text-start' },
      // Under the pointer the words must be as easy to read as before.
      compoundVariants: [
        { color: 'primary', variant: 'solid', class: 'hover:bg-(--accent-pressed) active:bg-(--accent-pressed)' },
      ],
    },
    checkbox: {
      slots: { root: 'items-center', container: 'h-auto', label: 'target inline-flex items-center cursor-pointer' },
      defaultVariants: { size: 'xl' },
    },
    input: { slots: { base: 'rounded-sm' } },
    modal: { slots: { content: 'rounded-md', title: 'text-lg' } },
  },
})
