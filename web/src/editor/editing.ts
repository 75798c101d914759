import type { Procedure } from '@tadka/core/procedure'
import type { InjectionKey, Ref } from 'vue'

/** The procedure that is being changed, for the fields that look around in it. */
export const editing: InjectionKey<Readonly<Ref<Procedure | null>>> = Symbol('editing')
