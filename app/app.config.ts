export default defineAppConfig({
  ui: {
    colors: { primary: 'rust', neutral: 'stone', error: 'red' },
    button: {
      slots: { base: 'rounded-sm font-medium cursor-pointer' },
      // Under the pointer the words must be as easy to read as before.
      compoundVariants: [
        { color: 'primary', variant: 'solid', class: 'hover:bg-(--accent-pressed) active:bg-(--accent-pressed)' },
      ],
    },
    input: { slots: { base: 'rounded-sm' } },
    modal: { slots: { content: 'rounded-md', title: 'text-lg' } },
  },
})
