<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Installation\TestStage;

/** Of two tests that contradict each other: the one that holds. */
final readonly class TestSettled implements Particulars
{
    /**
     * @param  string  $holds  id of the test
     * @param  ?TestStage  $stage  null: at the bench
     * @param  list<string>  $covers  runs that were tested as one piece; nothing where it was one run
     */
    public function __construct(public string $holds, public ?TestStage $stage = null, public array $covers = [])
    {
    }
}
