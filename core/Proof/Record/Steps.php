<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/**
 * Single steps at the bench of the kinds that matter to their own job alone, kept apart from what was recorded besides:
 * of ten thousands nobody asks but who wants to know how one job stands.
 */
interface Steps
{
    /**
     * With them, whatever else was recorded on these runs: of records of earlier versions, the order in which they came
     * is the order of one among the other.
     *
     * @param  list<string>  $runs
     * @return list<Event>
     */
    public function with(array $runs): array;

    /** @return list<string> who took any on a run */
    public function hands(string $run): array;

    /** @return list<string> who joined anything on a run */
    public function makers(string $run): array;

    /** @return list<string> ids of the first and the last step on a run by their text: one where it is the only one */
    public function outermost(string $run): array;
}
