export { GlossaryScreen as default } from '../screens/glossary/GlossaryScreen';
