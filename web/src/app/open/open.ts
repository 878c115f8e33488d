import { Component } from '@angular/core';
@Component({ selector: 'ft-x-OpenScreen', template: '' })
export class OpenScreen {}
