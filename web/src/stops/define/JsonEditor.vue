<script setup lang="ts">
import { autocompletion, type CompletionContext } from '@codemirror/autocomplete'
import { json } from '@codemirror/lang-json'
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language'
import { setDiagnostics, type Diagnostic } from '@codemirror/lint'
import { EditorState } from '@codemirror/state'
import { EditorView } from '@codemirror/view'
import { tags } from '@lezer/highlight'
import { basicSetup } from 'codemirror'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { FaultView } from '@/api/client'
import { completionsAt } from './completions'
import { hoverHelp } from './hover'
import type { Known } from './parameters'

const text = defineModel<string>({ required: true })
const props = defineProps<{ isJson: boolean; faults: readonly FaultView[]; known: Known }>()
const host = ref<HTMLElement>()
let view: EditorView | undefined

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? ''
const style = HighlightStyle.define([
    { tag: tags.propertyName, color: 'var(--lake)' },
    { tag: tags.string, color: 'var(--ink)' },
    { tag: [tags.number, tags.bool, tags.null], color: 'var(--malachite)' },
    { tag: [tags.brace, tags.squareBracket, tags.separator], color: 'var(--faint)' },
])
const theme = EditorView.theme({
    '&': { height: '100%', fontSize: '14px', backgroundColor: 'var(--paper)', color: 'var(--ink)' },
    '.cm-scroller': { fontFamily: 'var(--font-mono)', lineHeight: '22px' },
    '.cm-gutters': { backgroundColor: 'var(--film)', color: 'var(--faint)', border: 'none' },
    '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--film)' },
    '.cm-cursor': { borderLeftColor: 'var(--ink)' },
    '.cm-tooltip': { backgroundColor: 'var(--paper)', border: '1px solid var(--ink)', color: 'var(--ink)' },
    '.cm-help': { maxWidth: '420px', padding: '6px 10px', fontFamily: 'var(--font-sans)' },
    '.cm-tooltip-autocomplete ul li[aria-selected]': { backgroundColor: 'var(--ink)', color: 'var(--paper)' },
    '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': { backgroundColor: 'var(--line) !important' },
})

onMounted(() => {
    view = new EditorView({
        parent: host.value!,
        state: EditorState.create({
            doc: text.value,
            extensions: [
                EditorView.cspNonce.of(nonce),
                basicSetup,
                props.isJson ? json() : [],
                syntaxHighlighting(style),
                theme,
                EditorView.lineWrapping,
                EditorView.contentAttributes.of({ 'aria-label': 'The entry as text' }),
                props.isJson
                    ? autocompletion({
                          override: [(context: CompletionContext) => completionsAt(context, props.known)],
                      })
                    : [],
                props.isJson ? hoverHelp(() => props.known) : [],
                EditorView.updateListener.of((update) => {
                    if (update.docChanged) text.value = update.state.doc.toString()
                }),
            ],
        }),
    })
    mark()
})
onBeforeUnmount(() => view?.destroy())

watch(text, (now) => {
    if (view && now !== view.state.doc.toString())
        view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: now } })
})
watch(() => props.faults, mark)

/** Underlines what the host would not accept, where it stands. */
function mark() {
    if (!view) return
    const doc = view.state.doc
    const marks = props.faults.map((fault): Diagnostic => {
        // What is missing stands nowhere: it is told at the entry as a whole.
        const line = doc.line(Math.min(Math.max(1, fault.line ?? 1), doc.lines))
        const from = Math.min(line.from + (fault.column ?? 1) - 1, line.to)
        return { from, to: Math.max(from, line.to), severity: 'error', message: fault.says }
    })
    view.dispatch(setDiagnostics(view.state, marks))
}
</script>

<template>
    <div ref="host" class="h-full"></div>
</template>
