<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Shape;
use Sartal\Core\Given\Installation\TestStage;

/** At which stage. */
final readonly class StageAsked implements Shape
{
    public function __construct(public TestStage $stage = TestStage::Bench)
    {
    }
}
