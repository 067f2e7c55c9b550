<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Handover\Verification;
use Illuminate\Console\Command;

/** Checks a pack, wherever it has been since. */
final class VerifyCommand extends Command
{
    protected $signature = 'sartal:verify {pack : zip or folder} {--key= : public key to check signatures against, '.
        'where another Sartal made the pack}';

    protected $description = 'Check that a hand-over pack is what was signed';

    /** Whole, and nobody has put a name under it: no success, and another thing than a failure. */
    private const UNSIGNED = 2;

    public function handle(): int
    {
        $path = $this->argument('pack');
        $key = $this->option('key');
        $result = Verification::of(is_string($path) ? $path : '', is_string($key) && $key !== '' ? $key : null);
        foreach ($result->problems as $problem) {
            $this->error($problem);
        }
        foreach ($result->signed as $signed) {
            $this->line('Signed by '.$signed);
        }
        if ($result->digest !== '') {
            $this->line('Whole  '.$result->digest);
            $this->line('Key    '.$result->key);
        }
        $this->line(
            $result->holds()
                ? ($result->isSigned()
                    ? 'It is what was packed and signed.'
                    : 'It is what was packed. Nobody has signed it.')
                : 'It is not what was handed over.',
        );

        return match (true) {
            ! $result->holds() => self::FAILURE,
            $result->isSigned() => self::SUCCESS,
            default => self::UNSIGNED,
        };
    }
}
