<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Verdict;

/** Something that was done. Never altered; a repeat of the same id is the same event. */
final readonly class Event
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  string  $id  made by the client, a UUID
     * @param  string  $run  the run; of a test, one of those that it covers
     * @param  ?Side  $side  of events that speak of one end
     * @param  string  $by  the person's sign-in name
     * @param  string  $at  when it was done, RFC 3339, by the client's clock
     * @param  string  $received  when the server had it
     * @param  string  $fingerprint  of the part of the plan that it relied on
     * @param  ?Reading  $reading  of a test
     * @param  ?CutMade  $cut  of a cut: the piece, as it was measured or as it was planned
     * @param  string  $step  the operation at the bench that it speaks of; "" where it speaks of the whole
     * @param  ?float  $took  s of hands at work, pauses taken off
     * @param  string  $of  id of the event that it replies to; of a cut, the one that made the piece
     * @param  ?Flag  $flag  of something flagged
     * @param  list<string>  $reopens  operations that rework goes back to
     * @param  array<int|string, int>  $scraps  part or connector → how many rework costs
     * @param  ?EventKind  $undoes  of something taken back: what no longer holds
     * @param  string  $picture  name under which a photo is kept
     * @param  ?TestStage  $stage  of a test; null: at the bench
     * @param  ?AsBuilt  $built  of something pulled or trimmed on site
     * @param  array<int|string, string>  $flaws  of an inspection: what was found → what becomes of it
     * @param  list<string>  $covers  runs that were tested as one piece; nothing where it was one run, or not written
     *     down
     * @param  list<string>  $joints  of an end that was made: "conductor>node"; nothing where it was not written down
     */
    public function __construct(
        public string $id,
        public EventKind $kind,
        public string $run,
        public ?Side $side,
        public string $by,
        public string $at,
        public string $received,
        public string $fingerprint,
        public string $instrument = '',
        public string $note = '',
        public ?Reading $reading = null,
        public ?Verdict $verdict = null,
        public ?CutMade $cut = null,
        public string $step = '',
        public ?float $took = null,
        public string $of = '',
        public ?Flag $flag = null,
        public array $reopens = [],
        public array $scraps = [],
        public ?EventKind $undoes = null,
        public string $picture = '',
        public ?TestStage $stage = null,
        public array $joints = [],
        public ?AsBuilt $built = null,
        public array $flaws = [],
        public array $covers = [],
    ) {
    }

    /** As those see it who care that it was done, not at which end. */
    public function withoutSide(): self
    {
        return $this->copy(['side' => null]);
    }

    /** When a test was taken. */
    public function stage(): TestStage
    {
        return $this->stage ?? TestStage::Bench;
    }
}
