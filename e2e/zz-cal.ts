import { desk, shot, done } from './zz.ts';
const d = await desk('okafor'); d.page.setDefaultTimeout(8000);
await d.go('/calendar'); await shot(d,'c-week');
await d.go('/calendar?view=team'); await shot(d,'c-team');
await d.go('/calendar?view=month'); await shot(d,'c-month');
console.log(d.thrown);
await done();
