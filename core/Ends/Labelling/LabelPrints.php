<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

use Sartal\Core\Ends\Preparing\Blocks;
use Sartal\Core\Ends\Preparing\LabelParts;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Schools\LabelForm;
use Sartal\Core\Given\Schools\LabelTurn;

/** Every label of an installation: of ends, of tails, and the strips under its ports. */
final class LabelPrints
{
    /** Tails from here on are told apart by the colour of their block. */
    private const BLOCK = 8;

    private readonly LabelParts $parts;

    /** @var array<int|string, string> "device:port" → path of the end that is plugged in there */
    private array $plugged = [];

    public function __construct(private readonly Installation $installation)
    {
        $this->parts = new LabelParts($installation->catalogue, $installation->rules());
        $ends = [];
        foreach ($installation->runs() as $run) {
            foreach (['A' => $run->a, 'B' => $run->b] as $side => $end) {
                foreach ($end->legs as $leg) {
                    $ends[$leg->landing->fitting ?? ''] ??= self::path($run->id, $side);
                }
            }
        }
        foreach ($installation->matings() as $mating) {
            if (isset($ends[$mating->fitting])) {
                $this->plugged[$mating->with] ??= $ends[$mating->fitting];
            }
        }
    }

    /**
     * @param  array<int|string, list<Label>>  $labels  by run
     * @param  array<array-key, string>  $rotations  code → what it reads upside down
     * @return list<PrintedLabel>
     */
    public function of(array $labels, array $rotations): array
    {
        $prints = [];
        foreach ($labels as $id => $of) {
            $run = $this->installation->theRun($id);
            $cable = $this->installation->catalogue->cable($run->cable);
            if ($run->withdrawn || $cable === null) {
                continue;
            }
            foreach ($of as $label) {
                $leg = self::leg($run, $label);
                $over =
                    $leg === null
                        ? $cable->outerDiameter
                        : (count($leg->elements) === 1
                            ? $cable->diameter($leg->elements[0])
                            : null);
                $part = $this->parts->of($run, $over ?? $cable->outerDiameter, $cable->jacket);
                if ($part?->face !== null) {
                    $prints[] = $this->print(
                        $part,
                        $run->id.'|'.$label->side->value.'|'.$label->leg,
                        $run->id,
                        $label->side->value,
                        $label->leg,
                        $label->code,
                        $label->line,
                        $rotations,
                        $leg === null ? '' : $this->colour($run, $leg, $label),
                        self::path($run->id, $label->side->value, $label->leg),
                        $this->installation->locationName($run->end($label->side)->location),
                    );
                }
            }
        }

        return [...$prints, ...$this->strips($rotations)];
    }

    /**
     * @param  array<array-key, string>  $rotations
     * @return list<PrintedLabel>
     */
    private function strips(array $rotations): array
    {
        $strip = null;
        foreach ($this->installation->catalogue->parts() as $part) {
            $strip ??= $part->kind === PartKind::Label && $part->face?->form === LabelForm::Strip ? $part : null;
        }
        $prints = [];
        if ($strip === null) {
            return [];
        }
        foreach ($this->installation->equipment() as $device) {
            foreach ($device->ports as $port) {
                $at = (new PortRef($device->id, $port->id))->text();
                $prints[] = $this->print(
                    $strip,
                    'port|'.$at,
                    '',
                    '',
                    '',
                    $port->name,
                    '',
                    $rotations,
                    '',
                    $this->plugged[$at] ?? '',
                    $device->name,
                );
            }
        }

        return $prints;
    }

    /** @param  array<array-key, string>  $rotations */
    private function print(
        Part $part,
        string $id,
        string $run,
        string $side,
        string $leg,
        string $code,
        string $line,
        array $rotations,
        string $colour,
        string $path,
        string $place,
    ): PrintedLabel {
        assert($part->face !== null);
        $turned = $rotations[$code] ?? '';
        $marked = $turned === '' ? null : Marked::as($this->installation->rule(LabelTurn::class), $code);

        return new PrintedLabel(
            $id,
            $part->id,
            $part->face,
            $run,
            $side,
            $leg,
            $code,
            $line,
            $marked,
            $turned,
            $colour,
            $path,
            $place,
        );
    }

    private static function leg(Run $run, Label $label): ?Leg
    {
        foreach ($run->end($label->side)->legs as $leg) {
            if ($leg->id === $label->leg && $label->leg !== '') {
                return $leg;
            }
        }

        return null;
    }

    /**
     * By the plan that the tail lands in, else by the one that its elements land in at the other end, else in eights.
     */
    private function colour(Run $run, Leg $leg, Label $label): string
    {
        $others = $run->end($label->side->other())->legs;
        foreach ([$leg, ...$others] as $each) {
            $plan = $this->installation->plan($each->landing->plan ?? '');
            foreach ($each->landing->channels ?? [] as $element => $channel) {
                if ($plan !== null && $plan->block > 0 && in_array((string) $element, $leg->elements, true)) {
                    return Blocks::colour($plan->blockOf($channel));
                }
            }
        }
        $legs = array_map(static fn (Leg $each): string => $each->id, $run->end($label->side)->legs);

        return count($legs) <= self::BLOCK
            ? ''
            : Blocks::colour(1 + intdiv((int) array_search($leg->id, $legs, true), self::BLOCK));
    }

    private static function path(string $run, string $side, string $leg = ''): string
    {
        return 'e/'.rawurlencode($run).'/'.$side.($leg === '' ? '' : '/'.rawurlencode($leg));
    }
}
