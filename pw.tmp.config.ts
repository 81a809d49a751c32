import base from './playwright.config';
export default { ...base, timeout: 200_000, expect: { timeout: 60_000 }, retries: 0, use: { ...base.use, actionTimeout: 20_000, trace: 'off' as const } };
