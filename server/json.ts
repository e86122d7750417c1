/** JSON columns come back as text from MariaDB; longtext always does. */
export const parseColumn = (value: unknown): unknown => (typeof value === 'string' ? JSON.parse(value) : value);
