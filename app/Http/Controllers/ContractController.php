<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\OpenApi;
use Illuminate\Contracts\View\View;

/** The contract: as a page for people, as OpenAPI for programs. */
final class ContractController
{
    /** The one page; the browser routes from there. */
    public function page(): View
    {
        return view('app');
    }

    /** @return Answer<array<string, mixed>> */
    public function document(OpenApi $contract): Answer
    {
        return new Answer($contract->document());
    }
}
