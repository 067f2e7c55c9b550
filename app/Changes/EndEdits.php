<?php

declare(strict_types=1);

namespace App\Changes;

use App\Planning\Loaded;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** One end of a run written anew, as one change. */
final readonly class EndEdits
{
    public function __construct(private ChangeLog $log)
    {
    }

    /** @throws StaleWrite */
    public function write(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        End $end,
        string $words,
        int $version,
    ): RunWritten {
        $made = $run->withEnd($side, $end);

        return new RunWritten(
            $run->id,
            $this->log->write(
                Decision::on(
                    $loaded,
                    $by,
                    $words,
                    [RunEdits::run($made, $version)],
                    pins: RunEdits::used($loaded->installation, $made),
                ),
            ),
        );
    }
}
