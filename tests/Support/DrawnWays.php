<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Randomizer;
use Sartal\Core\File\DecisionKind;

/** Edits of ways, drawn by chance from the shape of a file. */
final readonly class DrawnWays
{
    /** @param  array<string, mixed>  $file */
    public function __construct(private array $file)
    {
    }

    /** @return array{DecisionKind, string, ?array<string, mixed>} one way drawn otherwise, gone, or new */
    public function edit(Randomizer $random): array
    {
        $pick = static fn (array $list): mixed => $list[$random->pickArrayKeys($list, 1)[0]];
        $way = $pick($this->file['ways']);
        $other = $pick($this->file['ways']);
        $shape = match ($random->getInt(1, 9)) {
            1, 2 => ['length' => $random->getInt(1, 40_000).' mm'] + $way,
            3 => ['takes' => $pick(['mains', 'signal', 'both'])] + $way,
            4 => ['to' => $other['to']] + $way,
            5 => ['environment' => ['outdoor']] + $way,
            6 => ['inner' => [$random->getInt(10, 80).' mm'], 'kind' => 'conduit', 'bends' => 1] + $way,
            7 => ['name' => 'Another name'] + $way,
            // As long as another, and beside it.
            8 => ['id' => 'beside', 'name' => 'Beside it'] + $way,
            default => null,
        };

        return [DecisionKind::Way, $shape['id'] ?? $way['id'], $shape];
    }
}
