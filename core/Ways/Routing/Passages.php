<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\WayKind;

/**
 * Whether cables that come with their connectors on go through a way. They are
 * pulled by the end whose connectors are smaller, one behind the other.
 */
final readonly class Passages
{
    public function __construct(private Installation $installation)
    {
    }

    /** @return list<Finding> */
    public function of(WayLoad $load): array
    {
        $bore = $load->way->inner;
        if (! $load->way->kind->isPulledThrough() || $bore === null) {
            return [];
        }
        $findings = [];
        foreach ($load->runs as $id) {
            $run = $this->installation->theRun($id);
            $blocked =
                $run->build === Build::Shop
                    ? $this->blocked(
                        $run,
                        static fn (ConnectorType $type): bool => $bore->passes(
                            $type->outline->width,
                            $type->outline->height,
                        ),
                    )
                    : null;
            if ($blocked !== null) {
                $size = Sizes::passing(WayKind::Conduit, $blocked->outline->width, $blocked->outline->height);
                $findings[] = Finding::stop(
                    'way.connector-does-not-pass',
                    Subject::run($id),
                    sprintf(
                        '%s comes with its connectors on, and %s does not go through %s (%s inside).',
                        $run->code,
                        $blocked->name,
                        $load->way->name,
                        $bore->text(),
                    ),
                    trim(
                        'Make its ends in place after it is pulled.'.
                            ($size === null ? '' : sprintf(' Or take a conduit of %s inside.', $size->text())),
                    ),
                );
            }
        }

        return $findings;
    }

    /**
     * The connector that is in the way at the end that would go through first; null where one end goes through.
     *
     * @param  callable(ConnectorType): bool  $passes
     */
    private function blocked(Run $run, callable $passes): ?ConnectorType
    {
        $blocking = [];
        foreach ([$run->a, $run->b] as $end) {
            $wide = array_filter($this->connectors($end), static fn (ConnectorType $type): bool => ! $passes($type));
            if ($wide === []) {
                return null;
            }
            $blocking[] = reset($wide);
        }
        usort(
            $blocking,
            static fn (ConnectorType $a, ConnectorType $b): int => $a->outline->width->compare($b->outline->width),
        );

        return $blocking[0];
    }

    /** @return list<ConnectorType> */
    private function connectors(End $end): array
    {
        $types = [];
        foreach ($end->legs as $leg) {
            $fitting = $this->installation->fitting($leg->landing->fitting ?? '');
            $type = $this->installation->catalogue->connector($fitting->connector ?? '');
            if ($type !== null) {
                $types[] = $type;
            }
        }

        return $types;
    }
}
