<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench\Formerly;

use Sartal\Core\Given\Catalogue\Former\Layer;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Work\Bench\BenchCore;
use Sartal\Core\Work\Bench\CutTo;
use Sartal\Core\Work\Bench\Former;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\Spot;
use Sartal\Core\Work\Bench\Task;

/** A step as recipes had it: what its records call it, and what they were made of. */
final readonly class FormerStep
{
    private function __construct(
        public StepId $step,
        public string $run,
        public Side $side,
        public string $fitting,
        public string $leg,
        public string $part,
        public Former $former,
        public ?Layer $layer,
    ) {
    }

    /**
     * @param  string  $words  as the first edition said it, which took its sentences for its facts
     * @param  list<BenchCore>  $cores
     * @param  list<CutTo>  $lengths
     * @param  list<string>  $facts
     * @param  ?Layer  $layer  that it took off, where it did
     */
    public static function at(
        Spot $spot,
        StepId $step,
        Task $task,
        string $words,
        string $detail = '',
        ?Length $at = null,
        string $part = '',
        string $address = '',
        array $cores = [],
        array $lengths = [],
        array $facts = [],
        ?Layer $layer = null,
    ): self {
        return new self(
            $step,
            $spot->run,
            $spot->side,
            $spot->fitting,
            $spot->leg,
            $part,
            new Former(
                array_values(array_filter([$step->text(), $step->first])),
                OperationFacts::formerPrints($task, $words, $detail, $at, $part, $address, $cores, $lengths, $facts),
            ),
            $layer,
        );
    }

    /** Of a step that is done today too, by whoever has no procedure for it. */
    public static function of(Operation $operation, Side $side): self
    {
        return self::at(
            new Spot($operation->run, $side, $operation->fitting, $operation->leg, ''),
            $operation->step,
            $operation->task,
            $operation->words,
            $operation->detail,
            $operation->at,
            $operation->part,
            $operation->address,
            $operation->cores,
            $operation->lengths,
            $operation->facts,
        );
    }
}
