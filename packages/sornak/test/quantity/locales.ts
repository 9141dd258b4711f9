// Locales that current platforms know; those that the running one does not know are left out.

const TAGS =
  'af am ar ar-EG as az be bg bn bs ca cs cy da de de-AT de-CH el en en-GB en-IN en-ZA es es-AR es-MX et eu fa ff fi fil fr fr-CA fr-CH ga gl gu ha he hi hr hu hy id ig is it it-CH ja jv ka kk km kn ko ky lo lt lv mk ml mn mr mr-u-nu-latn ms my nb ne nl nn or pa pl ps pt pt-PT ro ru rw sd si sk sl so sq sr sv sw ta te th tk tr uk ur uz vi yo zh zh-Hant zu'

export const LOCALES: readonly string[] = Intl.NumberFormat.supportedLocalesOf(TAGS.split(' '))
