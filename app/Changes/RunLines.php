<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Formats\RunLine;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use App\Planning\RunKeys;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\QuickGuess;
use Sartal\Core\Plan\Proposing\QuickLine;

/** What a planner writes, read: a line of fields or of words becomes the run that it would be. Nothing is saved. */
final readonly class RunLines
{
    /**
     * @param  array<int|string, string>  $values  of a line
     *
     * @throws BadLine naming every field that is wrong
     */
    public function propose(Loaded $loaded, array $values, ?string $key = null): Proposal
    {
        $this->freeCode($loaded->stored, trim($values['code'] ?? ''), $key);

        return $this->unfold($loaded, $values, $key);
    }

    /**
     * @param  array<int|string, string>  $values
     *
     * @throws BadLine
     */
    public function unfold(Loaded $loaded, array $values, ?string $key): Proposal
    {
        $id = $key ?? RunKeys::of($loaded->installation)->next($values['code'] ?? '');
        $request = RunLine::read($values, $loaded->installation, $id);
        try {
            return (new Proposer($loaded->installation->catalogue))->propose($request);
        } catch (CannotPropose $cannot) {
            throw BadLine::because(RunKeys::field($cannot->field), $cannot->value, $cannot->getMessage());
        }
    }

    /**
     * What a quick line would become.
     *
     * @return array{proposal: Proposal, guess: QuickGuess}
     *
     * @throws BadLine naming what was not understood
     */
    public function quick(Loaded $loaded, string $text): array
    {
        try {
            $guess = QuickLine::read($text, $loaded->installation, RunKeys::of($loaded->installation)->next('quick'));
            $id = RunKeys::of($loaded->installation)->next($guess->request->code);
            $guess = QuickLine::read($text, $loaded->installation, $id);

            return [
                'proposal' => (new Proposer($loaded->installation->catalogue))->propose($guess->request),
                'guess' => $guess,
            ];
        } catch (CannotPropose $cannot) {
            throw BadLine::because(RunKeys::field($cannot->field), $cannot->value, $cannot->getMessage());
        }
    }

    /**
     * @param  array<int|string, array<int|string, string>>  $values
     * @return array<array-key, list<string>> code → codes of today that would have it
     */
    public static function codesAfter(Installation $installation, array $values): array
    {
        $codes = [];
        foreach ($installation->runs() as $run) {
            if (! $run->withdrawn) {
                $codes[trim($values[$run->id]['code'] ?? $run->code)][] = $run->code;
            }
        }

        return $codes;
    }

    /** @throws BadLine */
    public function freeCode(StoredInstallation $stored, string $code, ?string $own): void
    {
        $others = $stored->runs()->where('code', $code)->where('withdrawn', false)->where('key', '<>', $own ?? '');
        if ($others->exists()) {
            throw BadLine::because('code', $code, 'A run has this code already. Give each run a code of its own.');
        }
    }
}
