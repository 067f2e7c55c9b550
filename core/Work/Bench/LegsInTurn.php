<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Procedures\LegMaking;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;

/**
 * Legs of one cable that are not made in any order: a procedure for the cable as a whole says which of them is begun
 * only once the others are finished at both ends.
 */
final readonly class LegsInTurn
{
    public function __construct(private OperationDraft $draft, private Catalogue $catalogue)
    {
    }

    /**
     * @param  array<int|string, EndWork>  $ends  of one run
     * @param  array<int|string, string>  $closes  fitting → operation after which it is closed
     */
    public function order(array $ends, array $closes): void
    {
        $last = $before = [];
        foreach ($this->legs($ends) as [$leg, $fitting]) {
            $making = $this->making($leg->end->procedure, self::carries($fitting));
            if ($making?->last === true) {
                $last[] = $leg;
            } elseif ($making !== null) {
                $before[] = $closes[$fitting->fitting->id] ?? '';
            }
        }
        foreach ($before === [] ? [] : $last as $leg) {
            foreach ($leg->ops as $ids) {
                foreach ($ids as $id) {
                    $this->draft->need($id, $before, 'The other legs are finished at both ends before it is begun.');
                }
            }
        }
    }

    /**
     * @param  array<int|string, EndWork>  $ends
     * @return iterable<array{LegWork, SheetFitting}>
     */
    private function legs(array $ends): iterable
    {
        foreach ($ends as $end) {
            foreach ($end->sheet->fittings as $fitting) {
                foreach ($end->legs[$fitting->fitting->id] ?? [] as $leg) {
                    yield [$leg, $fitting];
                }
            }
        }
    }

    private static function carries(SheetFitting $fitting): HazardDomain
    {
        return $fitting->isMains() ? HazardDomain::Mains : HazardDomain::Signal;
    }

    /** What an outer procedure says of a leg; null where none speaks of it. */
    private function making(MakingProcedure $procedure, HazardDomain $carries): ?LegMaking
    {
        foreach ($this->catalogue->procedures() as $outer) {
            foreach ($outer->legs as $making) {
                if ($making->isOf($carries, $procedure->id)) {
                    return $making;
                }
            }
        }

        return null;
    }
}
