export { CompetenceScreen as default } from '../screens/competence/CompetenceScreen';
