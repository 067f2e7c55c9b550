<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Formats\RunLine;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use App\Planning\RunKeys;
use App\Planning\ShippedUsuals;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\QuickLine;
use Sartal\Core\Plan\Proposing\RunHabit;

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
     * What lines of words would become, each with those before it: codes go on from one to the next.
     *
     * @param  list<RunHabit>  $elsewhere  of runs that there are besides those that it was read with
     * @return list<QuickRead>
     */
    public static function quick(Installation $in, string $text, array $elsewhere = []): array
    {
        $read = [];
        foreach (preg_split('~\R~u', $text) ?: [] as $line) {
            if (trim($line) === '') {
                continue;
            }
            $each = self::line(trim($line), $in, $elsewhere);
            $in = $each->with;
            $read[] = $each;
        }

        return $read;
    }

    /** @param  list<RunHabit>  $elsewhere */
    private static function line(string $text, Installation $in, array $elsewhere): QuickRead
    {
        try {
            $guess = QuickLine::read($text, $in, ShippedUsuals::all(), $elsewhere);
            $proposals = array_map((new Proposer($in->catalogue))->propose(...), $guess->requests);
        } catch (CannotPropose $cannot) {
            return new QuickRead($text, [], [], $in, $cannot);
        }
        $with = array_reduce(
            $proposals,
            static fn (Installation $so, Proposal $each): Installation => $so->withRun(
                $each->run,
                $each->fittings,
                $each->circuits,
            ),
            $in,
        );

        return new QuickRead($text, $proposals, $guess->understood, $with);
    }

    /**
     * @param  array<int|string, array<int|string, string>>  $values
     * @return array<array-key, list<string>> code → codes of today that would have it
     */
    public static function codesAfter(StoredInstallation $stored, array $values): array
    {
        $codes = [];
        foreach ($stored->runs()->where('withdrawn', false)->toBase()->pluck('code', 'key') as $run => $code) {
            $code = is_string($code) ? $code : '';
            $codes[trim($values[$run]['code'] ?? $code)][] = $code;
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
