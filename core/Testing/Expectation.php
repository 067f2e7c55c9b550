<?php

declare(strict_types=1);

namespace Sartal\Core\Testing;

use Sartal\Core\Wiring\Wiring;

/** What an assembly should read, computed from its wiring. */
final readonly class Expectation
{
    private function __construct(
        public Wiring $wiring,
        public TestSetup $setup,
        public Reading $reading,
    ) {
    }

    public static function of(Wiring $wiring, TestSetup $setup): self
    {
        return new self($wiring, $setup, MapMethod::read($wiring, $setup));
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
        foreach ($reading->lights as $from => $to) {
            if ($to !== ($this->reading->lights[$from] ?? null)) {
                $wrong[] = (string) $from;
            }
        }

        return $wrong;
    }

    /** @return list<string> probed nodes whose line has not been read */
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

        return [...array_values(array_diff($reading->splits, $expected)), ...array_values(array_diff($expected, $reading->splits))];
    }

    public function verdict(Reading $reading): Verdict
    {
        return match (true) {
            $this->wrongLines($reading) !== [] || $this->wrongPairs($reading) !== [] => Verdict::Fails,
            $this->unreadLines($reading) !== [] || $this->reading->lights === [] => Verdict::Incomplete,
            default => Verdict::Passes,
        };
    }

    /** Changes whenever what should be read changes. */
    public function fingerprint(): string
    {
        return hash('xxh128', serialize([$this->reading->lights, $this->reading->splits]));
    }
}
