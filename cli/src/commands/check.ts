import { checkAllVariants } from '@kettle/core/advice/checks';
import { readPlan } from '@kettle/core/document/versions';
import { layOut } from '@kettle/core/order/schedule';
import { planCommand } from '../command';

export const check = planCommand({
  name: 'check',
  says: 'a plan → what is physically wrong with it',
  answers:
    'findings[{id,severity:"stop"|"look"|"note",where{area?,pass?,atS?},number{value,unit,limit},why,fix?}]',
  run: (input) => {
    const plan = readPlan(input);
    const findings = checkAllVariants(plan, layOut(plan));
    // Where a finding is mended is a matter of the app's stations.
    return { findings: findings.map((finding) => ({ ...finding, station: undefined })) };
  },
});
