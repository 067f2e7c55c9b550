<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Shape;
use App\Contract\Text;
use Sartal\Core\Work\Bench\Disposition;

/** What putting right what was found would take: flaws by name, a stroke between them. */
final readonly class ReworkAsked implements Shape
{
    public function __construct(
        public Disposition $remedy,
        #[Text(max: 255, min: 0)] public string $step = '',
        #[Text(max: 255, min: 0)] public string $joint = '',
        #[Text(max: 1000, min: 0)] public string $found = '',
    ) {
    }

    /** @return list<string> by name */
    public function defects(): array
    {
        return $this->found === '' ? [] : explode('|', $this->found);
    }
}
