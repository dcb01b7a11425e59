import type { TypeData } from './type-data.ts'
import { SIGNATURE } from './wordings.ts'

export const employmentLetter: TypeData = {
  id: 'employment_letter',
  title: 'Employment letter',
  short: 'Employer letter',
  pages: { min: 1, max: 1 },
  titles: ['employment confirmation', 'confirmation of employment', 'letter of employment', 'employment letter', 'employment verification', 'verification of employment', 'employer confirmation', "employer's confirmation", "employer's reference", 'proof of employment', 'certificate of employment', 'employment certificate', 'statement of employment', 'employment reference', 'employed with us', 'employer’s letter'],
  signs: [
    { words: 'to whom it may concern', weight: 1.5 }, { words: 'confirm the employment', weight: 2.5 }, { words: 'employment of', weight: 1.5 }, { words: 'permanent contract', weight: 1.5 }, { words: 'gross salary', weight: 1.2 },
    { words: 'has been employed', weight: 3 }, { words: 'is employed', weight: 2.5 }, { words: 'in our employment', weight: 2.5 }, { words: 'employed by us', weight: 2.5 }, { words: 'employed with us', weight: 2.5 }, { words: 'works for us', weight: 2.5 }, { words: 'has worked for us', weight: 2.5 }, { words: 'annual salary', weight: 2 }, { words: 'gross annual salary', weight: 1.5 }, { words: 'salary', weight: 0.8 }, { words: 'permanent contract', weight: 1.5 },
    { words: 'position of', weight: 1.5 }, { words: 'job title', weight: 1.5 }, { words: 'employment began', weight: 2 }, { words: 'we confirm that', weight: 1.2 }, { words: 'human resources', weight: 1.5 }, { words: 'personnel', weight: 1 }, { words: 'per annum', weight: 1.5 }, { words: 'permanent', weight: 0.6 }, { words: 'notice has been given', weight: 1.5 }, { words: 'member of staff', weight: 1 }, { words: 'full-time', weight: 0.8 },
  ],
  person: 'employee_name',
  signature: { labels: [...SIGNATURE, 'yours faithfully', 'yours sincerely', 'human resources', 'manager', 'director', 'for the employer', 'personnel manager', 'managing director', 'office manager', 'for and on behalf of the company', 'hr manager'] },
  versions: { date: 'letter_date', of: ['employee_name', 'employer_name'] },
  fields: [
    { name: 'employee_name', title: 'Employee', kind: 'name', labels: ['employee', 'employee name', 'name of employee', 'confirm that', 'certify that', 'confirms that', 'certifies that', 'name', 're', 'our employee', 'regarding', 'concerning', 'subject', 'staff member', 'member of staff', 'to certify that', 'to confirm that', 'the employee'] },
    { name: 'employer_name', title: 'Employer', kind: 'org', sources: ['letterhead'], labels: ['employer', 'name of employer', 'employer name', 'company', 'firm', 'employed by', 'employed with', 'in the employment of', 'for and on behalf of', 'on behalf of'] },
    { name: 'job_title', title: 'Job', kind: 'text', common: true, labels: ['job title', 'position', 'employed as', 'works as', 'in the position of', 'as', 'occupation', 'job', 'role', 'post', 'function', 'employed with us as', 'working as', 'in the capacity of', 'works for us as', 'post held', 'position held', 'title'] },
    { name: 'start_date', title: 'Employed since', kind: 'date', labels: ['start date', 'employed since', 'since', 'date of joining', 'joined us on', 'employment began on', 'employment started', 'start of employment', 'commenced on', 'date employed', 'in our employment since', 'hired on', 'date of hire', 'with us since', 'began on', 'joined on', 'joined the firm on', 'from', 'entry date', 'started on', 'began work on', 'first day', 'date joined', 'commenced'] },
    { name: 'annual_salary', title: 'Annual salary', kind: 'money', labels: ['annual salary', 'gross annual salary', 'yearly salary', 'salary per annum', 'annual gross salary', 'salary', 'annual pay', 'yearly pay', 'gross salary per year', 'basic annual salary', 'annual gross pay', 'yearly gross salary', 'salary a year', 'current salary', 'annual remuneration', 'pay per year', 'earns', 'paid', 'wage per year', 'basic salary p.a.', 'salary (per year)', 'remuneration p.a.', 'annual gross remuneration', 'gross pay'] },
    { name: 'letter_date', title: 'Date of letter', kind: 'date', sources: ['sentence'], labels: ['date', 'dated', 'date of letter', 'date of issue', 'issued on', 'written on', 'letter date', 'our letter of'] },
  ],
  relations: [{ kind: 'not_after', first: 'start_date', second: 'letter_date' }],
}
