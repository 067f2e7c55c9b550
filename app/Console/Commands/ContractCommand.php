<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Contract\OpenApi;
use Illuminate\Console\Command;

/** The contract as a file: what `/api/docs.json` serves, for what is made from it. */
final class ContractCommand extends Command
{
    protected $signature = 'sartal:contract {file : Where it is written}';

    protected $description = 'Write what the server may be asked, and what it answers, as OpenAPI 3.1';

    public function handle(OpenApi $contract): int
    {
        $file = $this->argument('file');
        $json = json_encode(
            $contract->document(),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT,
        );
        if (! is_string($file) || @file_put_contents($file, $json."\n") === false) {
            $this->error(
                sprintf('"%s" cannot be written. Name a file in a folder that can.', (string) json_encode($file)),
            );

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
