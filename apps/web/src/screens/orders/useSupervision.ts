/** Whether whoever is signed in needs a colleague's name beside an exam, and who may be named. */
import { withDepartmentDefaults } from '@taktik/core';
import { useDepartmentQuery, usePeopleQuery } from '../../state/api';
import { useAppSelector } from '../../state/hooks';

/** @property names of technologists and leads; none while nobody is needed */
export function useSupervision(): { needed: boolean; names: readonly string[] } {
  const { data } = useDepartmentQuery();
  const student = useAppSelector((state) => state.who.person?.role === 'student');
  const needed = student && withDepartmentDefaults(data).supervision === 'named';
  const { data: people = [] } = usePeopleQuery(undefined, { skip: !needed });
  return { needed, names: needed ? people.filter(({ role }) => role !== 'student').map(({ name }) => name) : [] };
}
