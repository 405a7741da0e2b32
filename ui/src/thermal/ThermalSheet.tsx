import { useEffect } from 'react';
import type { Project } from '../model/api';
import type { ModelIndex } from '../model/model';
import { TABLE_NAMES } from '../shared/workspaces';
import { SheetFrame } from '../shared/SheetFrame';
import { useView, type ThermalTab } from '../model/state';
import type { Edits } from '../model/useEdits';
import { Constructions } from './Constructions';
import { GiveSelection } from './GiveSelection';
import { LibrarySheet } from './LibrarySheet';
import { Losses } from './Losses';
import { Materials } from './Materials';
import { Schedules } from './Schedules';
import { SelectBy } from './SelectBy';
import { Uses } from './Uses';
import { useLibrary, useThermal } from './useThermal';
import { Windows } from './Windows';

/** What the surfaces are made of, and what heat they lose. */
export function ThermalSheet({
  index,
  project,
  edits,
}: {
  index: ModelIndex;
  project: Project;
  edits: Edits;
}) {
  const tab = useView((s) => s.thermalTab);
  const set = useView((s) => s.set);
  const thermal = useThermal(index.model).data;
  const library = useLibrary(project.id).data;

  // here the stage shows U-values or zones; elsewhere what lies on the other side
  useEffect(() => {
    set({
      colourBy: tab === 'uses' || tab === 'schedules' ? 'zone' : 'uvalue',
      groupsOff: new Set(),
    });
    return () => set({ colourBy: 'exposure', groupsOff: new Set() });
  }, [set, tab]);

  const tabs: [ThermalTab, string, number | string][] = [
    ['constructions', TABLE_NAMES.constructions, thermal?.constructions.length ?? ''],
    ['windows', TABLE_NAMES.windows, ''],
    ['materials', TABLE_NAMES.materials, ''],
    ['uses', TABLE_NAMES.uses, ''],
    ['schedules', TABLE_NAMES.schedules, ''],
    ['losses', TABLE_NAMES.losses, ''],
    ['library', TABLE_NAMES.library, ''],
  ];
  return (
    <SheetFrame
      tabs={tabs}
      tab={tab}
      onTab={(key) => set({ thermalTab: key })}
      tools={
        <>
          {thermal && (
            <GiveSelection index={index} thermal={thermal} library={library} edits={edits} />
          )}
          <SelectBy index={index} />
        </>
      }
    >
      {!thermal ? (
        <p className="p-3 text-muted">Working out U-values …</p>
      ) : tab === 'constructions' ? (
        <Constructions
          index={index}
          project={project}
          thermal={thermal}
          library={library}
          edits={edits}
        />
      ) : tab === 'windows' ? (
        <Windows thermal={thermal} library={library} edits={edits} />
      ) : tab === 'materials' ? (
        <Materials thermal={thermal} library={library} edits={edits} />
      ) : tab === 'uses' ? (
        <Uses index={index} library={library} edits={edits} />
      ) : tab === 'schedules' ? (
        <Schedules index={index} edits={edits} />
      ) : tab === 'losses' ? (
        <Losses index={index} thermal={thermal} />
      ) : library ? (
        <LibrarySheet model={index.model} answer={library} />
      ) : (
        <p className="p-3 text-muted">Opening the library …</p>
      )}
    </SheetFrame>
  );
}
