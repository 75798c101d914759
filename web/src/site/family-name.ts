import { useI18n } from 'vue-i18n'

/** What a family of machines is called: one of them, and as a station is named at first. */
export function useFamilyName() {
  const { t, te } = useI18n()
  const key = (family: string) => family.replaceAll('.', '_')
  const one = (family: string): string => {
    const path = `machines.one.${key(family)}`
    return te(path) ? t(path) : family.replaceAll(/[-.]/g, ' ')
  }
  const short = (family: string): string => {
    const path = `machines.short.${key(family)}`
    return te(path) ? t(path) : one(family)
  }
  return { one, short }
}
