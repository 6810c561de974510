export { GlossaryPlace as default } from '../places/glossary/GlossaryPlace';
