/** What was typed, as a part of an address and back. */
export const encode = (value: unknown) =>
    btoa(unescape(encodeURIComponent(JSON.stringify(value))))
        .replaceAll('+', '-')
        .replaceAll('/', '_')
        .replaceAll('=', '');
export const decode = (text: string) =>
    JSON.parse(decodeURIComponent(escape(atob(text.replaceAll('-', '+').replaceAll('_', '/'))))) as Record<
        string,
        unknown
    >;
