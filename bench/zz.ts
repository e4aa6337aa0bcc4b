import { printLarge, printTenfold } from './pages.ts';
await printTenfold(); await printLarge();
