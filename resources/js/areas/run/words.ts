import type { Procedure, ProcedureStep, Run, RunEvent } from '../../api/types';
import { capital } from '../../parts/text';
import { minutesText, show } from '../../parts/units';

/** The lot that goes in now: the one it began with, until it went over to another. */
export function lotOf(run: Run): string {
    const change = run.events.findLast((e) => e.type === 'lot_changed');
    return change ? String((change.data as { code?: string }).code) : run.summary.lot_code;
}

/** One log entry in a few words, by the procedure's own titles. */
export function eventWords(event: RunEvent, procedure: Procedure): string {
    const data = event.data as Record<string, unknown>;
    const step = procedure.steps.find((s) => s.id === data.step);
    const piece = `${procedure.piece?.title ?? 'piece'} ${String(data.piece ?? '')}`.trim();
    const said = words(event, procedure, step);
    if (event.type === 'piece_begun') return `${capital(piece)} begun`;
    if (event.type === 'piece_dropped') return `${capital(piece)} taken out. ${String(data.reason)}`;
    return data.piece === undefined || data.piece === null ? said : `${capital(piece)}: ${said}`;
}

function words(event: RunEvent, procedure: Procedure, step: ProcedureStep | undefined): string {
    const data = event.data as Record<string, unknown>;
    switch (event.type) {
        case 'started':
            return 'Run started';
        case 'step_done':
            return `${step?.title ?? String(data.step)}: done${data.reason ? ` anyway. ${String(data.reason)}` : ''}`;
        case 'confirmed':
            return step?.confirm?.find((c) => c.id === data.item)?.text ?? String(data.item);
        case 'logged':
            return `${procedure.entries.find((e) => e.id === data.entry)?.title ?? String(data.entry)}${valueWords(procedure, String(data.entry), (data.values ?? {}) as Record<string, unknown>)}`;
        case 'corrected':
            return `Correction: ${String(data.reason)}${valueWords(procedure, '', (data.values ?? {}) as Record<string, unknown>)}`;
        case 'extended':
            return `Time changed by ${String(data.minutes)} min. ${String(data.reason)}`;
        case 'noted':
            return String(data.text);
        case 'closing':
            return 'No more: shutting down';
        case 'interrupted':
            return `Interrupted. ${String(data.reason)}`;
        case 'lot_changed':
            return `From lot ${String(data.code)} now`;
        case 'resumed':
            return `Goes on, hot through again in ${minutesText(Number(data.wait_min))}`;
        case 'aborted':
            return `Stopped. ${String(data.reason)}`;
        default:
            return event.type;
    }
}

export function valueWords(procedure: Procedure, entry: string, values: Record<string, unknown>): string {
    const fields = procedure.entries.filter((e) => entry === '' || e.id === entry).flatMap((e) => e.fields);
    const parts = Object.entries(values).map(([id, value]) => {
        const field = fields.find((f) => f.id === id);
        if (field?.kind === 'charge') return 'weighed before';
        if (Array.isArray(value)) return `${value.length} points`;
        if (typeof value === 'number')
            return field?.dimension && field.dimension !== 'number'
                ? show(value, field.dimension)
                : `${value} ${field?.label.toLowerCase() ?? ''}`.trim();
        return String(value);
    });
    return parts.length > 0 ? `: ${parts.join(', ')}` : '';
}
