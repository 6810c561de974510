export { RecordPlace as default } from '../../places/record/RecordPlace';
