<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\RunLine;
use App\Planning\ShippedUsuals;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Importing\Kind;
use Sartal\Core\Plan\Importing\Meanings;

/** Turns the words of cells into ids, and notes what each was taken for and what has to be made for it. */
final class ReadWords
{
    /** Field → what it names, and whether it can name several. */
    private const FIELDS = [
        'cable' => [Kind::Cable, false],
        'signals' => [Kind::Signal, true],
        'from' => [Kind::Place, false],
        'to' => [Kind::Place, false],
        'plans_a' => [Kind::Plan, true],
        'plans_b' => [Kind::Plan, true],
        'ways' => [Kind::Way, true],
        'loom' => [Kind::Loom, false],
        'build' => [Kind::Build, false],
        'device_a' => [Kind::Device, false],
        'device_b' => [Kind::Device, false],
    ];

    private const BEFORE = 'as the last list that had it was read';

    private readonly Meanings $meanings;

    /** @var array<string, array<int|string, ReadWord>> kind → words as they are compared */
    private array $read = [];

    /** @var array<int|string, Location> */
    public array $places = [];

    /** @var array<int|string, Loom> */
    public array $looms = [];

    /** @var array<int|string, string> id → name */
    public array $devices = [];

    /** @param  bool  $guessing  whether what nobody said is guessed; else it stays as it is written */
    public function __construct(
        private readonly Installation $in,
        private readonly Understanding $said,
        private readonly bool $guessing,
    ) {
        $this->meanings = new Meanings($in, TradeWords::all(), ShippedUsuals::all());
    }

    /** @return list<ReadWord> what is not written as it is called here, in the order in which it was met */
    public function all(): array
    {
        return array_merge(...array_map(array_values(...), array_values($this->read)));
    }

    /** @return array<int|string, string> id → name */
    public function names(Kind $kind): array
    {
        return $this->meanings->names($kind);
    }

    /** What stands in a field, in ids. */
    public function of(string $field, string $text): string
    {
        [$kind, $areSeveral] = self::FIELDS[$field] ?? [null, false];
        $text = trim($text);
        if ($kind === null || $text === '') {
            return $text;
        }
        $entries = $areSeveral ? $this->entries($kind, $text) : [$text];
        $ids = array_map(fn (string $words): string => $this->id($kind, trim($words)), $entries);

        $there = array_filter($ids, static fn (string $id): bool => $id !== '');

        return implode(RunLine::LIST, array_unique($there));
    }

    /** @return list<string> parted as Sartal parts them, else as people do where the whole is not the name of one */
    private function entries(Kind $kind, string $text): array
    {
        if (str_contains($text, RunLine::LIST)) {
            return RunLine::entries($text);
        }
        if ($this->meanings->of($kind, $text)->isWritten() || $this->isExplained($kind, $text)) {
            return [$text];
        }

        return array_values(array_filter(
            preg_split('~\s*[,;+&\n]\s*~u', $text) ?: [$text],
            static fn (string $entry): bool => $entry !== '',
        ));
    }

    private function isExplained(Kind $kind, string $words): bool
    {
        return ($this->said->meant($kind, $words) ?? $this->said->meantBefore($kind, $words)) !== null;
    }

    private function id(Kind $kind, string $words): string
    {
        if ($words === '') {
            return '';
        }
        $meant = $this->meanings->of($kind, $words);
        if ($meant->isWritten()) {
            return $meant->id;
        }
        $read = $this->read[$kind->value][Meanings::plain($words)] ??= $this->taken($kind, $words);
        $read->rows++;

        return match ($read->taken) {
            Understanding::MAKE => $this->made($kind, $words),
            Understanding::LEAVE => '',
            '' => $words,
            default => $read->taken,
        };
    }

    private function taken(Kind $kind, string $words): ReadWord
    {
        $meant = $this->meanings->of($kind, $words);
        $said = $this->said->meant($kind, $words);
        if ($said !== null && $this->isThere($kind, $said)) {
            return new ReadWord($kind, $words, $said, true, '', $meant->instead);
        }
        $before = $this->said->meantBefore($kind, $words);
        if ($before !== null && $this->isThere($kind, $before)) {
            return new ReadWord($kind, $words, $before, false, self::BEFORE, $meant->instead);
        }
        if (! $this->guessing) {
            return new ReadWord($kind, $words, '', false, '', []);
        }
        $isMade = $meant->id === '' && $kind->canBeMade();
        $because = $isMade ? 'nothing here is called so' : $meant->because;

        return new ReadWord(
            $kind,
            $words,
            $isMade ? Understanding::MAKE : $meant->id,
            false,
            $because === '' ? '' : 'guessed: '.$because,
            $meant->instead,
        );
    }

    /** What was said at an earlier import may be gone. */
    private function isThere(Kind $kind, string $taken): bool
    {
        return match ($taken) {
            Understanding::LEAVE => true,
            Understanding::MAKE => $kind->canBeMade(),
            default => isset($this->meanings->names($kind)[$taken]),
        };
    }

    private function made(Kind $kind, string $words): string
    {
        $plain = Meanings::plain($words);
        foreach ($this->madeNames($kind) as $id => $name) {
            if (Meanings::plain($name) === $plain) {
                return (string) $id;
            }
        }
        $id = $this->free($kind, $words);
        match ($kind) {
            Kind::Place => $this->places[$id] = new Location($id, $words),
            Kind::Device => $this->devices[$id] = $words,
            default => $this->looms[$id] = Loom::named($id, $words),
        };

        return $id;
    }

    /** @return array<int|string, string> id → name, of what is made of a kind so far */
    private function madeNames(Kind $kind): array
    {
        return match ($kind) {
            Kind::Place => array_map(static fn (Location $each): string => $each->name, $this->places),
            Kind::Device => $this->devices,
            default => array_map(static fn (Loom $each): string => $each->name, $this->looms),
        };
    }

    private function free(Kind $kind, string $words): string
    {
        $taken = $this->madeNames($kind) + match ($kind) {
            Kind::Place => $this->in->locations() + $this->in->junctions(),
            Kind::Device => $this->in->equipment(),
            default => $this->in->looms(),
        };

        return Names::free($words, $taken, $kind->value);
    }
}
