<?php

declare(strict_types=1);

namespace App\Testing;

use Sartal\Core\File\Fields;
use Sartal\Core\Proof\Testing\Probe;

/**
 * Points as an instrument names them, by end, connector and contact, and the
 * nodes that they are here. Where an end has one connector, its label may be
 * left out.
 *
 * @phpstan-type PointAt array{end: string, connector: string, contact: string}
 */
final class Points
{
    /** @var array<int|string, string> "end, label, contact" → node */
    private array $nodes = [];

    /** @var array<int|string, PointAt> by node */
    private array $points = [];

    public function __construct(UnderTest $test)
    {
        $setup = $test->expectation()->setup;
        $places = [];
        foreach ($setup->from + $setup->to as $probe) {
            $places[$probe->side->value][$probe->fitting] = true;
        }
        foreach ($setup->from + $setup->to as $probe) {
            $label = self::label($probe, $test);
            $this->points[$probe->node] = [
                'end' => $probe->side->value,
                'connector' => $label,
                'contact' => $probe->address,
            ];
            $this->nodes[self::key($probe->side->value, $label, $probe->address)] = $probe->node;
            if (count($places[$probe->side->value] ?? []) === 1) {
                $this->nodes[self::key($probe->side->value, '', $probe->address)] = $probe->node;
            }
        }
    }

    /** @return PointAt */
    public function point(string $node): array
    {
        return $this->points[$node] ?? ['end' => '', 'connector' => '', 'contact' => $node];
    }

    /** The node of a point, or "" with the problem noted. */
    public function node(Fields $fields): string
    {
        [$end, $connector, $contact] = [
            $fields->text('end', ''),
            $fields->text('connector', ''),
            $fields->name('contact'),
        ];
        $node = $this->nodes[self::key($end, $connector, $contact)] ?? null;
        $fields->done();

        return $node ??
            $fields->wrong(
                'contact',
                $contact,
                sprintf(
                    'is no contact of %s here: name end, connector and contact as the test shows them.',
                    $connector === '' ? 'end '.$end : $connector,
                ),
                '',
            );
    }

    private static function label(Probe $probe, UnderTest $test): string
    {
        return $test->loaded->installation->fittings()[$probe->fitting]->label ?? '';
    }

    private static function key(string $end, string $label, string $contact): string
    {
        return strtolower($end."\n".$label."\n".$contact);
    }
}
