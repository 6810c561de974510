export { CompetencePlace as default } from '../places/competence/CompetencePlace';
