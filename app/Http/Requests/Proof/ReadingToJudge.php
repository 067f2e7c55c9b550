<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Document;
use App\Contract\Shape;
use Sartal\Core\Given\Installation\TestStage;

/** A reading that is not recorded yet. */
final readonly class ReadingToJudge implements Shape
{
    /**
     * @param  array<array-key, mixed>  $reading
     */
    public function __construct(
        #[Document('reading')] public array $reading,
        public TestStage $stage = TestStage::Bench,
    ) {
    }
}
