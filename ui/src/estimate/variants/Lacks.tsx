import { Link } from 'react-router';
import { useView } from '../../model/state';
import type { VariantRun } from '../../model/variantCalls';
import { useWorkspaceLink } from '../../shared/useWorkspaceLink';

/** Why runs cannot be made, and the way to what is missing. */
export function Lacks({
  lacks,
  message,
  project,
  children,
}: {
  lacks: VariantRun['missing'];
  message: string;
  project: string;
  children?: React.ReactNode;
}) {
  const to = useWorkspaceLink(project);
  const select = useView((s) => s.select);
  return (
    <div className="px-3 py-1.5" data-testid="lacks">
      <p className="font-semibold text-blocker" role="alert">
        {message}
      </p>
      <ul className="max-h-24 overflow-y-auto">
        {lacks.map((l) => (
          <li key={l.key}>
            <Link
              className="text-kelp underline"
              to={to('thermal')}
              onClick={() => select([l.key])}
            >
              {l.label}
            </Link>
          </li>
        ))}
      </ul>
      {children}
    </div>
  );
}
