import type { StyleDefinition, TemplateDefinition, FILE_VERSION } from '@yandle/core';
import type { Versioned } from './test-catalogue.js';

/** Own styles and templates have ids of their own kind, so that they can never be taken for one that ships. */
export const OWN_STYLE_PREFIX = 'own-';
export const OWN_TEMPLATE_PREFIX = 'own-';

export type OwnStyleBody = StyleDefinition & Versioned & { readonly archived: boolean };

export interface OwnStyle extends StyleDefinition {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
}

/** What an own style was before an edit. Newest first. */
export interface StyleVersion {
  readonly version: number;
  readonly at: string;
  readonly definition: StyleDefinition;
}

/** The file that own styles travel in. */
export interface StyleFile {
  readonly format: 'yandle-styles';
  readonly formatVersion: typeof FILE_VERSION;
  readonly styles: readonly StyleDefinition[];
}

export type OwnTemplateBody = TemplateDefinition & Versioned & { readonly archived: boolean };

export interface OwnTemplate extends TemplateDefinition {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
}

/** The file that templates travel in. */
export interface TemplateFile {
  readonly format: 'yandle-templates';
  readonly formatVersion: typeof FILE_VERSION;
  readonly templates: readonly TemplateDefinition[];
}

/** What an import made of a file. */
export interface FileImport {
  readonly added: number;
  /** Already there with the same content. */
  readonly same: number;
}
