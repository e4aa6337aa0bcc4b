/** The tasks a worker can do: each area's, declared without what is heavy about them. */
import '../calendar/tasks.ts';
import '../costs/tasks.ts';
import '../day-sheet/tasks.ts';
import '../docket/tasks.ts';
import '../files/tasks.ts';
import '../imports/tasks.ts';
import '../interest/tasks.ts';
import '../matters/tasks.ts';
import '../people/tasks.ts';
import '../reports/tasks.ts';
import '../rulebooks/tasks.ts';
import '../sign-off/tasks.ts';
import '../signing/tasks.ts';
import '../templates/tasks.ts';
