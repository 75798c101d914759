import type { Procedure } from '@tadka/core/procedure'
import type { InjectionKey, Ref } from 'vue'

/** The procedure that is being changed, for the fields that look around in it. */
export const editing: InjectionKey<Readonly<Ref<Procedure | null>>> = Symbol('editing')

/** Whether whoever looks may change it: lists that open are no fields of the page's own, and ask for it. */
export const mayEdit: InjectionKey<Readonly<Ref<boolean>>> = Symbol('may edit')
