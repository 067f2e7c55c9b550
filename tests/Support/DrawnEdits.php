<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Randomizer;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Installation\Installation;

/** Edits of runs, circuits and fittings, drawn by chance from the shape of a file. */
final readonly class DrawnEdits
{
    /** @param  array<string, mixed>  $file */
    public function __construct(private array $file)
    {
    }

    public function edited(Installation $in, Randomizer $random): Installation
    {
        foreach ($this->edits($random) as [$kind, $key, $shape]) {
            $in = Decided::in($in, $kind, $key, $shape);
        }

        return $in;
    }

    /** @return list<array{DecisionKind, string, ?array<string, mixed>}> one to three */
    public function edits(Randomizer $random): array
    {
        return array_map(fn (): array => $this->edit($random), range(1, $random->getInt(1, 3)));
    }

    /** @return array{DecisionKind, string, ?array<string, mixed>} one decision of the demo, made otherwise */
    private function edit(Randomizer $random): array
    {
        $pick = static fn (array $list): mixed => $list[$random->pickArrayKeys($list, 1)[0]];
        $run = $pick($this->file['runs']);
        $other = $pick($this->file['runs']);
        $end = $pick(['a', 'b']);
        $leg = $run[$end]['legs'] === [] ? null : $random->pickArrayKeys($run[$end]['legs'], 1)[0];
        $what = $random->getInt(1, 18);
        if ($what > 12 && $what < 17) {
            $circuit = $pick($this->file['circuits']);
            $fitting = $pick($this->file['fittings']);
            [$kind, $shape] = match ($what) {
                13 => [DecisionKind::Circuit, ['signal' => $pick($this->file['circuits'])['signal']] + $circuit],
                14 => [DecisionKind::Circuit, ['phantom' => $fitting['id']] + $circuit],
                15 => [DecisionKind::Fitting, ['connector' => $pick($this->file['fittings'])['connector']] + $fitting],
                default => [DecisionKind::Fitting, ['shared' => ['1', '2']] + $fitting],
            };

            return [$kind, $shape['id'], $shape];
        }
        match ($what) {
            1, 2 => ($run[$end]['tail'] = $random->getInt(1, 90).' m'),
            3, 4 => ($run['cable'] = $other['cable']),
            5 => ($run['code'] = $other['code']),
            6 => ($run['withdrawn'] = true),
            7 => ($run['ways'] = []),
            8 => ($run['loom'] = $other['loom'] ?? null),
            9 => ($run[$end]['location'] = $other[$end]['location']),
            10 => ($run['carries'] = array_slice($run['carries'], 1)),
            // Upside down, one of them reads as the other.
            17 => ($run['code'] = $pick(['109-H', 'H-601', 'X-88'])),
            18 => ($run = ['id' => $run['id'].'-new', 'code' => $pick([$run['code'], 'New 7'])] + $run),
            default => null,
        };
        if ($what === 8 && $run['loom'] === null) {
            unset($run['loom']);
        }
        if ($what === 11 && $leg !== null && isset($run[$end]['legs'][$leg]['landing'])) {
            $run[$end]['legs'][$leg]['landing']['fitting'] = $pick($this->file['fittings'])['id'];
        }

        return [DecisionKind::Run, $run['id'], $what === 12 ? null : $run];
    }
}
