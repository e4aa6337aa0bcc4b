declare module 'fontkit';
declare module 'docxtemplater/js/inspect-module.js';
