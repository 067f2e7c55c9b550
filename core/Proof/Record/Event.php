<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use DateTimeImmutable;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Measure\Withers;
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
     * @param  string  $by  what the record calls the person by
     * @param  string  $at  when it was done, RFC 3339, by the client's clock
     * @param  string  $received  when the server had it
     * @param  string  $fingerprint  of the part of the plan that it relied on
     * @param  string  $instrument  names of what was measured with, as they were then, parted by ", "; "" where nobody
     *     said
     * @param  string  $step  the operation at the bench that it speaks of; "" where it speaks of the whole
     * @param  ?float  $took  s of hands at work, pauses taken off
     * @param  ?Particulars  $says  what events of its kind say besides, see {@see ParticularsOf}
     * @param  ?list<string>  $on  ids of what it was done on, as whoever did it knew it: the piece, the latest making
     *     of each end, the tests before it; empty where nobody said, null in records of earlier versions
     * @param  int  $skew  s by which the clock it was read off was behind the server's
     * @param  list<string>  $with  ids of the instruments so named, in that order; "" for one that the crew does not
     *     have
     * @param  array<string, mixed>  $strays  what only other kinds say and somebody sent with it, as the file has it:
     *     kept, and never acted upon
     *
     * @throws \InvalidArgumentException where it says what events of its kind do not
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
        public string $step = '',
        public ?float $took = null,
        public ?Particulars $says = null,
        public array $strays = [],
        public ?array $on = null,
        public int $skew = 0,
        public array $with = [],
    ) {
        if ($says !== null && $says::class !== ParticularsOf::kind($kind)) {
            throw new \InvalidArgumentException(sprintf('A record "%s" cannot say %s.', $kind->value, $says::class));
        }
    }

    /** Whether whoever did it said what it was done on. */
    public function saysOnWhat(): bool
    {
        return $this->on !== null && $this->on !== [];
    }

    /** When it was done by the server's clock, as far as anybody knows, RFC 3339. */
    public function time(): string
    {
        if ($this->skew === 0) {
            return $this->at;
        }

        return (new DateTimeImmutable($this->at))
            ->modify(sprintf('%+d seconds', $this->skew))
            ->format('Y-m-d\TH:i:s.u\Z');
    }

    /**
     * By which instruments of the crew's, whatever they are called since.
     *
     * @param  list<string>  $ids  parallel to the names, "" for one that the crew does not have
     */
    public function measuredWith(array $ids): self
    {
        return $this->copy(['with' => $ids]);
    }

    /** @param  list<string>  $on  ids of what it was done on */
    public function doneOn(array $on): self
    {
        return $this->copy(['on' => $on]);
    }

    /** As those see it who care that it was done, not at which end. */
    public function withoutSide(): self
    {
        return $this->copy(['side' => null]);
    }

    /** @return list<string> people who are asked by name, as the record calls them */
    public function asks(): array
    {
        return $this->says instanceof Asking ? $this->says->people : [];
    }

    /** @param  list<string>  $people  as somebody else calls those who are asked */
    public function asking(array $people): self
    {
        return $this->says instanceof Asking ? $this->copy(['says' => new Asking($people)]) : $this;
    }

    /** As the server writes it down: where it belongs, by which description, and what it says. */
    public function filed(string $run, ?Side $side, string $step, string $fingerprint, ?Particulars $says): self
    {
        return $this->copy([
            'run' => $run,
            'side' => $side,
            'step' => $step,
            'fingerprint' => $fingerprint,
            'says' => $says,
        ]);
    }

    /** Of a cut: the piece; null where nobody wrote it down. */
    public function cut(): ?CutMade
    {
        return $this->says instanceof CutNoted ? $this->says->piece : null;
    }

    /** Of something pulled, dressed, trimmed or installed: how it lies, where somebody said so. */
    public function built(): ?AsBuilt
    {
        return $this->says instanceof AsBuilt ? $this->says : null;
    }

    public function test(): ?TestTaken
    {
        return $this->says instanceof TestTaken ? $this->says : null;
    }

    public function verdict(): ?Verdict
    {
        return $this->test()?->verdict;
    }

    public function rework(): ?SentBack
    {
        return $this->says instanceof SentBack ? $this->says : null;
    }

    public function flag(): ?Flag
    {
        return $this->says instanceof Flagged ? $this->says->flag : null;
    }

    public function undoes(): ?EventKind
    {
        return $this->says instanceof TakenBack ? $this->says->kind : null;
    }

    /** The event that it answers, settles or goes on from; "" where there is none. */
    public function of(): string
    {
        return match (true) {
            $this->says instanceof CutNoted => $this->says->made,
            $this->says instanceof TestSettled => $this->says->holds,
            $this->says instanceof Reply => $this->says->to,
            $this->says instanceof SentBack => $this->says->test,
            default => '',
        };
    }

    /** @return list<string> joints that were made, "conductor>node" */
    public function joints(): array
    {
        return $this->says instanceof EndMade ? $this->says->joints : [];
    }

    /** @return list<string> runs that it covers besides, where several were tested as one piece */
    public function covers(): array
    {
        return $this->says instanceof TestTaken || $this->says instanceof TestSettled ? $this->says->covers : [];
    }

    /** @return array<int|string, string> what was found → what becomes of it */
    public function flaws(): array
    {
        return $this->says instanceof LookedOver || $this->says instanceof SentBack ? $this->says->flaws : [];
    }

    public function picture(): string
    {
        return $this->says instanceof Photo ? $this->says->picture : '';
    }

    /** When a test was taken. */
    public function stage(): TestStage
    {
        return ($this->says instanceof TestTaken || $this->says instanceof TestSettled ? $this->says->stage : null) ??
            TestStage::Bench;
    }
}
