<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptCuts;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Planning\Touched;
use App\Testing\TestKnown;
use App\Testing\UnderTest;
use Closure;
use Sartal\Core\Later\Handover\AssemblyFacts;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Plan\Checks\Instruments;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Cutting\CutFacts;

/**
 * What something that is recorded now is recorded against. It is known of one assembly, from what is kept: the
 * installation is read for what asks of all of it, and for nothing else.
 */
final class Against
{
    private ?Loaded $loaded = null;

    private readonly KeptStandings $standings;

    /** @param  Closure(): Loaded  $load  as the shop works from it */
    public function __construct(public readonly StoredInstallation $stored, private readonly Closure $load)
    {
        $this->standings = KeptStandings::atWork($stored, $this->loaded(...));
    }

    public static function of(Loaded $loaded): self
    {
        return new self($loaded->stored, static fn (): Loaded => $loaded);
    }

    public function loaded(): Loaded
    {
        return $this->loaded ??= ($this->load)();
    }

    /** Of the assembly that a run belongs to; null where there is no such run. */
    public function facts(string $run): ?AssemblyFacts
    {
        $standing = $this->standings->of($run);

        return $standing === null ? null : $this->standings->facts($standing->id);
    }

    /** What there is to cut, and to cut it from. */
    public function cuts(): CutFacts
    {
        return KeptCuts::atWork($this->stored, $this->loaded(...))->facts();
    }

    /** @return array<int|string, AssemblyStanding> where everything stands, by assembly */
    public function standings(): array
    {
        return $this->standings->all();
    }

    public function instruments(): Instruments
    {
        return $this->standings->rules()->instruments;
    }

    /** What an assembly is tested against. */
    public function test(AssemblyFacts $facts): TestKnown
    {
        ['known' => $known] = Kept::once(
            $this->stored,
            'tested '.$facts->id,
            $this->standings->edition(),
            function () use ($facts): array {
                $loaded = app(Near::class)->atWork($this->stored, $facts->runs());

                return ['known' => TestKnown::of(UnderTest::of($loaded, $facts->id))];
            },
        );

        return $known;
    }

    /** Everything that was recorded on an assembly. */
    public function record(AssemblyFacts $facts): Record
    {
        return Touched::record($this->stored, $facts->runs());
    }
}
