<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\CutPlan;
use Sartal\Core\Work\Cutting\Cuts;

/**
 * How what is still to be cut comes off the stock: by facts that are kept until something is decided, and what was cut.
 * Neither the installation is read for it nor what else was recorded.
 *
 * @phpstan-import-type WorkedOut from PlanEncoder
 *
 * @phpstan-type CutTold array{loom: string, from: string, to: string, build: value-of<Build>, worked: WorkedOut}
 */
final class KeptCuts
{
    private ?CutFacts $facts = null;

    private readonly KeptAllotments $allotments;

    /** @param  Closure(): Loaded  $load  what they are facts of, where they are not kept */
    private function __construct(
        private readonly StoredInstallation $stored,
        private readonly string $name,
        private readonly string $state,
        private readonly Closure $load,
    ) {
        $this->allotments = new KeptAllotments($stored);
    }

    /**
     * As it is decided.
     *
     * @param  Closure(): Loaded  $load
     */
    public static function decided(StoredInstallation $stored, Closure $load): self
    {
        return $stored->release_id === null
            ? self::atWork($stored, $load)
            : new self($stored, 'cuts decided', Kept::state('decided', $stored->decisions), $load);
    }

    /**
     * As the shop works from it: from the release, where there is one.
     *
     * @param  Closure(): Loaded  $load
     */
    public static function atWork(StoredInstallation $stored, Closure $load): self
    {
        return new self(
            $stored,
            'cuts at work',
            // Stock is that of today.
            Kept::state('at work', $stored->edition(), $stored->decisions),
            $load,
        );
    }

    public function facts(): CutFacts
    {
        return $this->facts ??= Kept::once(
            $this->stored,
            $this->name,
            $this->state,
            function (): array {
                $loaded = ($this->load)();

                return ['facts' => CutFacts::of($loaded->installation, $loaded->plan())];
            },
        )['facts'];
    }

    public function plan(Record $record): CutPlan
    {
        return Cuts::plan($this->facts(), $record, null, $this->allotments);
    }

    /** With everything that was cut by now. */
    public function now(): CutPlan
    {
        return $this->plan(Recorded::stock($this->stored));
    }

    /** @return array<int|string, string> what is told of a cut, as JSON, by run */
    public function told(): array
    {
        /** @var KeptByRun<string> $kept */
        $kept = new KeptByRun($this->stored, $this->name.' told', $this->state);
        $runs = array_map(strval(...), array_keys($this->facts()->runs));

        return $kept->all($runs, function (): array {
            $loaded = ($this->load)();

            return array_map(
                static fn (Run $run): string => (string) json_encode(self::of($run, $loaded), JSON_THROW_ON_ERROR),
                $loaded->installation->runs(),
            );
        });
    }

    /** @return CutTold */
    private static function of(Run $run, Loaded $loaded): array
    {
        return [
            'loom' => $loaded->installation->looms()[$run->loom ?? '']->name ?? '',
            'from' => $loaded->installation->locationName($run->a->location),
            'to' => $loaded->installation->locationName($run->b->location),
            'build' => $run->build->value,
            'worked' => PlanEncoder::worked($loaded->plan()->cut($run->id)),
        ];
    }
}
