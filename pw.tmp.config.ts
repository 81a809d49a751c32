import base from './playwright.config';
export default { ...base, timeout: 50_000, expect: { timeout: 12_000 }, retries: 0, use: { ...base.use, actionTimeout: 12_000, trace: 'off' as const } };
