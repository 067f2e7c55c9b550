<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;

/** What an assembly should read, computed from its wiring. */
final class Expectation
{
    private ?Senses $senses = null;

    private ?self $undivided = null;

    /** @param  array<int|string, SwitchState>  $states  of its switches by id, at rest left out */
    private function __construct(
        public readonly Wiring $wiring,
        public readonly TestSetup $setup,
        public readonly Reading $reading,
        public readonly array $states,
    ) {
    }

    /** @param  list<SwitchState>  $states  of its switches */
    public static function from(Wiring $wiring, TestSetup $setup, array $states = []): self
    {
        $byId = [];
        foreach ($states as $state) {
            if ($state->id !== '') {
                $byId[$state->id] = $state;
            }
        }

        return new self($wiring, $setup, MapMethod::read($wiring, $setup), $byId);
    }

    public function senses(): Senses
    {
        return $this->senses ??= new Senses($this->wiring, $this->setup, $this->states);
    }

    /** As it was read: a reading from before mains was kept out of the map has its lines in it. */
    public function of(Reading $reading): self
    {
        return array_intersect_key($reading->lights, $this->setup->makeup->live) === [] ? $this : $this->undivided();
    }

    private function undivided(): self
    {
        return $this->setup->makeup->live === []
            ? $this
            : $this->undivided ??= new self(
                $this->wiring,
                $this->setup->undivided(),
                MapMethod::read($this->wiring, $this->setup->undivided()),
                $this->states,
            );
    }

    /**
     * Probed nodes whose line differs from what was expected. A line that was
     * not read does not differ.
     *
     * @return list<string>
     */
    public function wrongLines(Reading $reading): array
    {
        $wrong = [];
        $expected = $this->of($reading)->reading->lights;
        foreach ($reading->lights as $from => $to) {
            if ($to !== ($expected[$from] ?? null)) {
                $wrong[] = (string) $from;
            }
        }

        return $wrong;
    }

    /** @return list<string> probed nodes whose line has not been read; mains has none */
    public function unreadLines(Reading $reading): array
    {
        return array_map(strval(...), array_keys(array_diff_key($this->reading->lights, $reading->lights)));
    }

    /** @return list<string> ids of pairs found split that should not be, or the other way round */
    public function wrongPairs(Reading $reading): array
    {
        if ($reading->splits === null) {
            return [];
        }
        $expected = $this->reading->splits ?? [];

        return [
            ...array_values(array_diff($reading->splits, $expected)),
            ...array_values(array_diff($expected, $reading->splits)),
        ];
    }

    /** @return list<Sample> that are not what they should be */
    public function wrongSamples(Reading $reading): array
    {
        return array_values(array_filter($reading->samples, $this->senses()->isWrong(...)));
    }

    /** Questions of a method that have no answer yet. */
    public function unasked(Method $method, Reading $reading): int
    {
        if ($method === Method::Map || $method === Method::Shells) {
            return count($this->unreadLines($reading));
        }
        if ($method === Method::Pairs && $reading->splits !== null) {
            return 0;
        }
        $unasked = 0;
        foreach ($this->senses()->questions($method) as $question) {
            $unasked += isset($reading->samples[$question->key()]) ? 0 : 1;
        }

        return $unasked;
    }

    public function verdict(Reading $reading): Verdict
    {
        return match (true) {
            $this->wrongLines($reading) !== [] ||
                $this->wrongPairs($reading) !== [] ||
                $this->wrongSamples($reading) !== [] => Verdict::Fails,
            $this->unreadLines($reading) !== [] => Verdict::Incomplete,
            $this->reading->lights === [] && ! $this->setup->makeup->mains => Verdict::Incomplete,
            default => Verdict::Passes,
        };
    }

    /** Changes whenever what should be read changes. What was tested while mains was in the map stands by it. */
    public function fingerprint(): ReadingPrint
    {
        $switched = [];
        foreach ($this->states as $id => $_) {
            $switched[$id] = MapMethod::read($this->senses()->wiring((string) $id), $this->undivided()->setup)->lights;
        }
        $rest = $this->undivided()->reading;

        $facts = [$rest->lights, $rest->splits, ...$switched === [] ? [] : [$switched]];

        // The first edition kept all of the hash.
        return new ReadingPrint(
            hash('xxh128', serialize($facts)),
            Fingerprint::make(self::ordered($facts), Edition::Second),
        );
    }

    /** In an order that follows from what it says, not from how it was found. */
    private static function ordered(mixed $facts): mixed
    {
        if (! is_array($facts)) {
            return $facts;
        }
        $facts = array_map(self::ordered(...), $facts);
        array_is_list($facts) ? sort($facts) : ksort($facts, SORT_STRING);

        return $facts;
    }
}
